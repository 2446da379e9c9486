"""All that people can read, gathered from the sources: sentences of the program and of its tables."""

import ast
import csv
import re
from pathlib import Path

CODE, TABLES = "src/ample/**/*.py", "src/ample/**/*.csv"
TEXT = re.compile(r"[A-Za-z]{2,}[ ,:.].*[a-z]")
SQL = re.compile(r"\b(SELECT|INSERT|UPDATE|DELETE|FROM|WHERE|ORDER BY|SET SESSION|RENAME|GRANT|CREATE)\b")


def sentences_of_code(path: Path) -> list[str]:
    """The texts in a module that are no docstrings and no SQL; what is filled in is shown as {}."""
    tree = ast.parse(path.read_text(encoding="utf-8"))
    skipped = {id(node.value) for node in ast.walk(tree) if isinstance(node, ast.Expr)}
    found = []
    for node in ast.walk(tree):
        if isinstance(node, ast.JoinedStr):
            parts = [each.value if isinstance(each, ast.Constant) else "{}" for each in node.values]
            skipped |= {id(each) for each in node.values}
            found.append((node.lineno, "".join(str(each) for each in parts)))
    found += [
        (node.lineno, node.value)
        for node in ast.walk(tree)
        if isinstance(node, ast.Constant) and isinstance(node.value, str) and id(node) not in skipped
    ]
    return [" ".join(text.split()) for _, text in sorted(found) if TEXT.search(text) and not SQL.search(text)]


def sentences_of_table(path: Path) -> list[str]:
    """The cells of a table that are texts; the notes at its head are for whoever keeps it."""
    rows = [line for line in path.read_text(encoding="utf-8").splitlines() if not line.startswith("#")]
    cells = [cell for row in list(csv.reader(rows))[1:] for cell in row]
    return list(dict.fromkeys(cell for cell in cells if TEXT.search(cell)))


def all_texts(root: Path) -> dict[str, list[str]]:
    """Every text by the file that it stands in."""
    found = {}
    for pattern, read in ((CODE, sentences_of_code), (TABLES, sentences_of_table)):
        for path in sorted(root.glob(pattern)):
            texts = read(path)
            if texts and "migrations" not in path.parts:
                found[path.relative_to(root).as_posix()] = texts
    return found
