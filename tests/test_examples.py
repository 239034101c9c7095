"""The examples in docstrings are true."""

import doctest
import importlib
from pathlib import Path

import pytest

import maqueta

PACKAGE = Path(maqueta.__file__).parent
MODULES = [
    ".".join(("maqueta", *path.relative_to(PACKAGE).with_suffix("").parts))
    for path in sorted(PACKAGE.rglob("*.py"))
    if ">>> " in path.read_text("utf-8")
]


@pytest.mark.parametrize("module", MODULES)
def test_examples_are_true(module: str) -> None:
    failed, tried = doctest.testmod(importlib.import_module(module))
    assert tried > 0
    assert failed == 0


def test_there_are_examples_to_learn_from() -> None:
    assert len(MODULES) > 3
