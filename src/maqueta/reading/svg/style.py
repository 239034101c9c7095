"""How an SVG element looks: its attributes, the rules of style sheets for it, its own style, and what it inherits.

SVG 2, 6 (styling), and CSS 2, 6.4 (the cascade), as far as drawings need them; from memory.
"""

import re
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Any, Final

#: Properties a drawing is told by; those that pass on to what lies within are inherited.
_INHERITED: Final = frozenset(
    (
        "stroke",
        "stroke-width",
        "stroke-dasharray",
        "fill",
        "fill-rule",
        "color",
        "visibility",
        "font-size",
        "text-anchor",
        "marker-start",
        "marker-mid",
        "marker-end",
        "clip-rule",
    )
)
_OWN: Final = frozenset(("display", "opacity", "clip-path", "stroke-opacity", "fill-opacity"))
_RULE: Final = re.compile(r"([^{}]+)\{([^{}]*)\}")
_COMMENT: Final = re.compile(r"/\*.*?\*/", re.DOTALL)
_SELECTOR: Final = re.compile(r"^([a-zA-Z*][\w-]*)?((?:[.#][\w-]+)*)$")
_HEX: Final = re.compile(r"^#([0-9a-fA-F]{3,8})$")
_RGB: Final = re.compile(r"^rgba?\(([^)]*)\)$")
_NAMED: Final = {"white": (1.0, 1.0, 1.0), "black": (0.0, 0.0, 0.0), "red": (1.0, 0.0, 0.0), "blue": (0.0, 0.0, 1.0)}
#: Names of colours that are not looked up are all alike: dark.
_DARK: Final = (0.2, 0.2, 0.2)
_MOST_RULES: Final = 2000

Look = Mapping[str, str]


@dataclass(frozen=True, slots=True)
class Rule:
    """One rule of a style sheet: for which elements, how weighty, and what it says."""

    tag: str
    marks: frozenset[str]
    weight: tuple[int, int, int]
    says: Look

    def holds(self, tag: str, marks: frozenset[str]) -> bool:
        """Whether it is for an element with these classes (".name") and this id ("#name")."""
        return self.tag in ("", "*", tag) and self.marks <= marks


def rules_of(sheets: Sequence[str]) -> tuple[Rule, ...]:
    """The rules of style sheets, the weightiest last; selectors of several elements are left out."""
    found: list[Rule] = []
    for text in sheets:
        for selectors, body in _RULE.findall(_COMMENT.sub("", text)):
            says = declared(body)
            for selector in selectors.split(","):
                match = _SELECTOR.match(selector.strip())
                if match is None or not selector.strip() or len(found) >= _MOST_RULES:
                    continue
                marks = frozenset(re.findall(r"[.#][\w-]+", match[2] or ""))
                tag = match[1] or ""
                ids = sum(mark.startswith("#") for mark in marks)
                weight = (ids, len(marks) - ids, int(tag not in ("", "*")))
                found.append(Rule(tag, marks, weight, says))
    return tuple(sorted(found, key=lambda rule: rule.weight))


def declared(text: str) -> dict[str, str]:
    """What a list of declarations says."""
    pairs = (part.partition(":") for part in text.split(";"))
    return {name.strip().lower(): value.replace("!important", "").strip() for name, _, value in pairs if value.strip()}


def look_of(element: Any, tag: str, rules: Sequence[Rule], inherited: Look) -> dict[str, str]:
    """How an element looks, with what it inherits."""
    found = {name: value for name, value in inherited.items() if name in _INHERITED}
    known = _INHERITED | _OWN
    found |= {name: value for name, value in element.attrib.items() if name in known}
    classes = (f".{name}" for name in element.get("class", "").split())
    marks = frozenset((*classes, f"#{element.get('id', '')}"))
    for rule in rules:
        if rule.holds(tag, marks):
            found |= {name: value for name, value in rule.says.items() if name in known}
    own = declared(element.get("style", ""))
    found |= {name: value for name, value in own.items() if name in known}
    return {name: inherited.get(name, "") if value == "inherit" else value for name, value in found.items()}


def hidden(look: Look) -> bool:
    """Whether an element, and all within it, is not there."""
    return look.get("display") == "none" or _number(look.get("opacity"), 1.0) == 0.0


def unseen(look: Look) -> bool:
    """Whether an element itself is not seen."""
    return look.get("visibility") in ("hidden", "collapse")


def colour_of(look: Look, name: str, usual: str) -> tuple[float, float, float] | None:
    """The colour something is drawn in, red, green and blue from 0 to 1; None for none. Patterns count as dark."""
    text = look.get(name, usual).strip()
    if text.lower() == "currentcolor":
        text = look.get("color", "black").strip()
    if text.lower() in ("none", "transparent", "") or _number(look.get(f"{name}-opacity"), 1.0) == 0.0:
        return None
    if match := _HEX.match(text):
        digits = match[1]
        pairs = [digit * 2 for digit in digits[:3]] if len(digits) < 6 else [digits[k : k + 2] for k in (0, 2, 4)]
        red, green, blue = (int(pair, 16) / 255 for pair in pairs)
        return red, green, blue
    if match := _RGB.match(text):
        parts = [part.strip() for part in match[1].replace("/", ",").replace(" ", ",").split(",") if part.strip()]
        values = [_number(part.rstrip("%"), 0.0) / (100 if part.endswith("%") else 255) for part in parts[:3]]
        return (values[0], values[1], values[2]) if len(values) == 3 else _DARK
    return _NAMED.get(text.lower(), _DARK)


def _number(text: str | None, usual: float) -> float:
    try:
        return float(text) if text is not None else usual
    except ValueError:
        return usual


def lengths_of(text: str | None) -> tuple[float, ...]:
    """Numbers of a list such as a dash pattern, in user units; none for "none" or what cannot be read."""
    if text is None or text == "none":
        return ()
    try:
        return tuple(float(part.removesuffix("px")) for part in re.split(r"[\s,]+", text.strip()) if part)
    except ValueError:
        return ()
