"""What a drawn line is meant as: by its dashes, by the words of its layer, in four languages.

The words are those of the trade in English, Spanish, German and French; common practice, no source.
"""

import re
import unicodedata
from typing import Final, Literal

from maqueta.reading.content import Stroke, Style

#: "open": nothing says what it is; the geometry decides.
Kind = Literal[
    "visible", "hidden", "centre", "dimension", "text", "frame", "title", "construction", "hatch", "cutting", "open"
]

_APART: Final[tuple[tuple[Kind, str], ...]] = (
    ("construction", r"CONSTR|AUXILIAR|HILFSLIN|GUIDE|PROJECTION.?LINE|LINEAS?.?DE.?PROYEC|RAPPEL"),
    (
        "cutting",
        r"CUTTING|CUT.?(PLANE|LINE)|SECTION.?LINE|SCHNITT.?(LIN|VERLAUF|EBENE)|LINEAS?.?(DE.?)?CORTE|PLANOS?.?(DE.?)?CORTE|"
        r"(TRACE|PLAN|LIGNE|TRAIT)S?.?(DE.?)?COUPE",
    ),
    ("hatch", r"HATCH|SCHRAFF|HACHUR|RAYAD|SOMBREAD"),
    (
        "dimension",
        r"\bDIMS?\b|DIMENS|\bCOTAS?\b|ACOTA|BEMASS|BEMASZ|\bMASSE?\b|MASSLIN|\bCOTES?\b|COTATION|LEADER|EXTENSION",
    ),
    ("title", r"TITLE|CAJETIN|ROTUL|SCHRIFTFELD|CARTOUCHE|TITRE|TITELBL|TITULO"),
    (
        "frame",
        r"BORDER|FRAME|MARCO|RECUADRO|RAHMEN|BLATTRAND|\bCADRE|MARGEN|MARGIN|\bSHEET|FORMATO?\b|PAPER|PAPEL|PAPIER",
    ),
    ("text", r"TEXT|\bTXT\b|\bNOTES?\b|\bNOTAS?\b|ANMERK|BESCHRIFT|ANNOT|LETTER"),
)
_LINES: Final[tuple[tuple[Kind, str], ...]] = (
    (
        "hidden",
        r"HIDDEN|\bHID\b|\bHDN\b|DASHED|OCULT|VERDECK|UNSICHTB|INVISIB|GESTRICH|STRICHLIN|CACHE|INTERROMP|TRAZOS|"
        r"DISCONTIN|POINTILL|BEHIND|NO.?VISTA|NON.?VIS",
    ),
    (
        "centre",
        r"CENTER|CENTRE|CENTRO|\bCEN\b|\bCTR\b|\bCL\b|\bAXIS\b|\bAXES?\b|\bEJES?\b|MITTE|ACHS|SYMMETR|SIMETR|SYMETR|"
        r"STRICHPUNKT|DASH.?DOT|CHAIN|\bMIXTE",
    ),
    (
        "visible",
        r"VISIB|\bVIS\b|OBJECT|\bOBJ\b|OUTLINE|CONTO|EDGE|ARISTA|SICHTB|KONTUR|KANTE|KORPER|KOERPER|VOLLLIN|ARETE|"
        r"\bFORT|GRUES|THICK|\bDICK|GEOMETR|\bPART\b|\bPIEZA|\bPIECE|\bTEIL|\bVISTAS?\b|\bVIEWS?\b|\bVUES?\b|ANSICHT|"
        r"SOLID|CONTINU|SMOOTH|\bMODEL",
    ),
)
_PATTERN_NAMES: Final[tuple[tuple[Kind, str], ...]] = (
    ("centre", r"CENT|DASH.?DOT|CHAIN|AXIS|EJE|MITT|STRICHP|MIXTE|PHANTOM|DIVIDE|ISO0?4|ISO0?5|ISO0?8|ISO0?9|ISO1\d"),
    ("hidden", r"HID|DASH|OCULT|VERDECK|STRICH|INTERR|TRAZO|DOT|ISO0?2|ISO0?3|ISO0?7"),
)


def plain(text: str) -> str:
    """Capitals without accents; ß as SS."""
    folded = unicodedata.normalize("NFKD", text.replace("ß", "ss").replace("ẞ", "SS"))
    return "".join(c for c in folded if not unicodedata.combining(c)).upper()


def _words(name: str) -> str:
    """A layer name with its separators opened up, so that word bounds count."""
    return re.sub(r"[_\-.$|/\\]+", " ", re.sub(r"(?<=\D)(?=\d)|(?<=\d)(?=\D)", " ", plain(name)))


def _named(name: str, table: tuple[tuple[Kind, str], ...]) -> Kind | None:
    words = _words(name)
    return next((kind for kind, pattern in table if re.search(pattern, words)), None)


def pattern_kind(pattern: tuple[float, ...], name: str) -> Kind | None:
    """What a dash pattern means: even dashes hidden, long and short ones centre; None for a continuous line."""
    lengths = [length for length in pattern if length >= 0]
    if len(pattern) >= 2 and lengths:
        longest, shortest = max(lengths), min(lengths)
        return "hidden" if shortest >= 0.6 * longest else "centre"
    if name in ("CONTINUOUS", "BYLAYER", "BYBLOCK"):
        return None
    return next((kind for kind, pattern in _PATTERN_NAMES if re.search(pattern, plain(name))), None)


def named_kind(layer: str) -> Kind | None:
    """Which lines of views a layer is called after."""
    return _named(layer, _LINES)


def kind_of(style: Style) -> Kind:
    """What lines of a style are: apart from the part, by their dashes, by the words of the layer, else open."""
    apart = _named(style.layer, _APART)
    line = named_kind(style.layer)
    if apart is not None and line is None:
        return apart
    broken = pattern_kind(style.pattern, style.pattern_name)
    if broken is not None:
        return broken
    if style.plain:
        return "visible"
    return line or "open"


def kinds_of(strokes: tuple[Stroke, ...]) -> list[Kind]:
    """The kind of every stroke."""
    known: dict[Style, Kind] = {}
    return [known.setdefault(stroke.style, kind_of(stroke.style)) for stroke in strokes]
