"""Fitting up: the strip-down reversed into steps, each where its constraints put it."""

from ample.core.assembly.fit_up.places import FittedPart
from ample.core.assembly.fit_up.plan import FitUpPlan, FitUpStep, fit_up_plan

__all__ = ["FitUpPlan", "FitUpStep", "FittedPart", "fit_up_plan"]
