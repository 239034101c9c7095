"""Sheet documents of former formats, brought to the present one before they are read.

Format 1 had side and up, or corner and turn, in the view itself, and named the front view.
"""

from collections.abc import Mapping
from typing import Any, Final

_LOOKING: Final = ("side", "up", "corner", "turn")


def upgraded(data: Any) -> Any:
    """A document of any former format in the present one; anything else as it is, to be refused in its own words."""
    return _second(data) if isinstance(data, Mapping) and _is_first(data) else data


def _is_first(data: Mapping[str, Any]) -> bool:
    """Whether a document is of format 1, which need not have said so."""
    if "format" in data:
        return bool(data["format"] == 1)
    views = data.get("views")
    old = isinstance(views, list | tuple) and any(
        isinstance(view, Mapping) and any(key in view for key in _LOOKING) for view in views
    )
    return old or "front" in data


def _second(data: Mapping[str, Any]) -> dict[str, Any]:
    views = data.get("views", [])
    front = data.get("front")
    new = {key: value for key, value in data.items() if key != "front"} | {"format": 2}
    if not isinstance(views, list | tuple):
        return new
    # Whatever is no name is refused later, by its key.
    kinds = [(view.get("id"), _kind(view)) for view in views if isinstance(view, Mapping)]
    if front is not None and all(name != front for name, _ in kinds):
        new["front"] = front
    root = front if any(name == front and kind == "principal" for name, kind in kinds) else None
    new["views"] = [_view(view, root) if isinstance(view, Mapping) else view for view in views]
    return new


def _kind(view: Mapping[str, Any]) -> str:
    if view.get("corner") is not None:
        return "pictorial"
    drafted = view.get("lines") is not None and view.get("side") is None and view.get("up") is None
    return "unrecognised" if drafted else "principal"


def _view(view: Mapping[str, Any], front: Any) -> dict[str, Any]:
    kind = _kind(view)
    rest = {key: value for key, value in view.items() if key not in _LOOKING}
    named = {key: view[key] for key in _LOOKING if view.get(key) is not None}
    if kind != "pictorial" and not named.get("turn"):
        named.pop("turn", None)
    folded = kind == "principal" and front is not None and view.get("id") != front
    return rest | {"kind": kind, "look": named or None, "parent": front if folded else None}
