"""The handbook behind every judgement: named formulas of the trade, each a plain function.

What a field is called, its unit and its range stand in `inputs.csv`; the formula, its source, its limits and an example in
the docstring of each function: the page of the handbook is made from them.
"""

from ample.core.handbook.page import Page, pages

__all__ = ["Page", "pages"]
