"""What the pages say about the code has to be there."""

import re
from pathlib import Path

import pytest

ROOT = Path(__file__).parents[1]
PACKAGE = ROOT / "src" / "maqueta"
ROOMS = {path.name for path in PACKAGE.iterdir() if path.is_dir()}


def named_paths(page: str) -> list[str]:
    """Paths within the package that a page names in backquotes."""
    found = re.findall(r"`([a-z_]+(?:/[a-z_]+)+(?:\.py)?)`", (ROOT / page).read_text("utf-8"))
    return sorted({path for path in found if path.split("/")[0] in ROOMS})


@pytest.mark.parametrize("page", ["README.md", "docs/decisions.md", "docs/standards.md", "docs/running.md"])
def test_every_room_and_module_a_page_names_exists(page: str) -> None:
    missing = [
        path
        for path in named_paths(page)
        if not (PACKAGE / path).exists() and not (PACKAGE / path).with_suffix(".py").exists()
    ]
    assert missing == []


def test_the_pages_name_many_modules() -> None:
    assert len(named_paths("docs/standards.md")) > 20
    assert len(named_paths("docs/decisions.md")) > 10


def test_every_room_says_what_is_in_it() -> None:
    rooms = [path for path in PACKAGE.rglob("__init__.py") if "migrations" not in path.parts]
    assert [str(path) for path in rooms if not re.match(r'"""\w.{10,}', path.read_text("utf-8"))] == []
