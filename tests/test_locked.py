"""What is locked is enough for every Python 3.11: what an early one needs besides is no surprise to whoever has one."""

from importlib.metadata import distributions
from pathlib import Path

import pytest
from packaging.requirements import Requirement
from packaging.utils import canonicalize_name

LOCKED = [
    Requirement(line.split("#")[0].strip())
    for line in (Path(__file__).parents[1] / "requirements.txt").read_text("utf-8").splitlines()
    if line.strip() and not line.lstrip().startswith("#")
]


@pytest.mark.parametrize("version", ["3.11.0", "3.11.2", "3.11.14"])
def test_all_that_is_needed_is_locked(version: str) -> None:
    environment = {"python_full_version": version, "extra": ""}
    locked = {canonicalize_name(own.name) for own in LOCKED if not own.marker or own.marker.evaluate(environment)}
    missing = [
        f"{needed.name}, for {installed.name}"
        for installed in distributions()
        if canonicalize_name(installed.name) in locked
        for needed in map(Requirement, installed.requires or ())
        if (not needed.marker or needed.marker.evaluate(environment)) and canonicalize_name(needed.name) not in locked
    ]
    assert missing == []
