"""What the strip at the foot says once everything typed is stored."""

import re

SAVED = re.compile(r"^\s*saved \d\d:\d\d")  # not “kept on this machine, not yet saved”
