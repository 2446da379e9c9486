"""The core: a pure library of the trade. No Flask, no SQL, no clock, no network, no print."""
