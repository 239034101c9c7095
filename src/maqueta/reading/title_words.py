"""The words of title blocks in four languages (common practice, no source; field names after ISO 7200, from memory)."""

import re
from typing import Final

from maqueta.projection.arrangement import Angle
from maqueta.reading.kinds import plain
from maqueta.sheet.fields import TitleField

#: Longer labels first, so that "DRAWING NO" is not read as "DRAWING". "angle" is the statement of projection.
_LABELS: Final[tuple[tuple[str, tuple[str, ...]], ...]] = (
    (
        "number",
        (
            "DRAWING NUMBER", "DRAWING NO", "DRG NO", "DWG NO", "DWG NUMBER", "PART NO", "PART NUMBER", "NUMBER", "NO",
            "NUMERO DE PLANO", "PLANO NO", "PLANO NUM", "NUMERO", "NUM", "N°", "Nº", "ZEICHNUNGSNUMMER",
            "ZEICHNUNGS NR", "ZEICHN NR", "NUMMER", "NR", "NUMERO DE PLAN", "PLAN NO",
        ),
    ),
    (
        "drafter",
        (
            "DRAWN BY", "DRAFTED BY", "DRAFTER", "DRAFTSMAN", "DESIGNED BY", "DRAWN", "DRN BY", "DRN", "STUDENT NAME",
            "STUDENT", "AUTHOR", "NAME", "BY", "DIBUJADO POR", "DIBUJADO", "DIBUJO", "DELINEANTE", "ALUMNO", "ALUMNA",
            "ESTUDIANTE", "AUTOR", "NOMBRE", "GEZEICHNET VON", "GEZEICHNET", "GEZ. VON", "GEZ", "BEARBEITER",
            "BEARBEITET", "BEARB",
            "ZEICHNER", "SCHULER", "SCHUELER", "DESSINE PAR", "DESSINE", "DESSINATEUR", "ELEVE", "ETUDIANT", "NOM",
        ),
    ),
    (
        "title",
        (
            "DRAWING TITLE", "TITLE", "PART NAME", "PART", "DESCRIPTION", "NOMBRE DE LA PIEZA", "TITULO",
            "DENOMINACION", "DESIGNACION", "PIEZA", "TITEL", "BENENNUNG", "BEZEICHNUNG", "TEIL", "TITRE",
            "DESIGNATION", "DENOMINATION", "NOM DE LA PIECE", "PIECE",
        ),
    ),
    ("class", ("CLASS", "GROUP", "COURSE", "CLASE", "GRUPO", "CURSO", "KLASSE", "GRUPPE", "KURS", "CLASSE", "GROUPE")),
    ("date", ("DATE", "FECHA", "DATUM")),
    ("scale", ("SCALE", "ESCALA", "MASSSTAB", "MASZSTAB", "MASSTAB", "ECHELLE")),
    ("sheet", ("SHEET NO", "SHEET", "HOJA", "LAMINA", "BLATT", "FEUILLE", "FOLIO", "PLANCHE", "PAGE")),
    ("material", ("MATERIAL", "MATL", "WERKSTOFF", "MATIERE", "MATERIAU", "MATERIAUX")),
    (
        "unit",
        (
            "UNITS", "UNIT", "DIMENSIONS IN", "UNIDADES", "UNIDAD", "EINHEITEN", "EINHEIT", "MASSEINHEIT", "UNITES",
            "UNITE",
        ),
    ),
    ("paper", ("PAPER SIZE", "PAPER", "SIZE", "FORMATO", "PAPEL", "PAPIER", "BLATTGROSSE", "FORMAT")),
    (
        "angle",
        (
            "ANGLE OF PROJECTION", "PROJECTION METHOD", "PROJECTION", "ANGLE", "SISTEMA DE PROYECCION", "PROYECCION",
            "METODO DE PROYECCION", "METODO", "DIEDRO", "PROJEKTIONSMETHODE", "PROJEKTION", "METHODE DE PROJECTION",
        ),
    ),
    (
        "tolerances",
        (
            "GENERAL TOLERANCES", "GENERAL TOLERANCE", "TOLERANCES", "TOLERANCE", "TOLERANCIAS GENERALES",
            "TOLERANCIA GENERAL", "TOLERANCIAS", "TOLERANCIA", "ALLGEMEINTOLERANZEN", "ALLGEMEINTOLERANZ", "TOLERANZEN",
            "TOLERANZ", "TOLERANCES GENERALES", "TOLERANCE GENERALE",
        ),
    ),
    ("revision", ("REVISION", "REV", "REVISIONSSTAND", "INDICE DE REVISION", "INDICE")),
    (
        "checked",
        (
            "CHECKED BY", "CHECKED", "CHKD BY", "CHKD", "CHK", "APPROVED BY", "APPROVED", "REVISADO POR", "REVISADO",
            "COMPROBADO POR", "COMPROBADO", "APROBADO", "GEPRUFT VON", "GEPRUFT", "GEPRUEFT", "GEPR", "VERIFIE PAR",
            "VERIFIE",
        ),
    ),
)  # fmt: skip
_BY_WORDS: Final = sorted(
    ((label, field) for field, labels in _LABELS for label in labels), key=lambda pair: -len(pair[0])
)
_FIRST: Final = r"\b(?:FIRST|1ST|PRIMER|1ER|ERSTE|PREMIER|EUROPE|EUROPAISCH|1\.?)"
_THIRD: Final = r"\b(?:THIRD|3RD|TERCER|3ER|DRITTE|TROISIEME|AMERICAN|AMERIKAN|3\.?)"
_STATED: Final = r"\s*-?\s*(?:ANGLE|DIEDRO|DIEDRE|WINKEL|QUADRANT|ANGULO|O?\.? ?METHODE|PROJE|PROYE)"


#: Values that stand beside their label without a sign between them: "SCALE 1:2", "SHEET 3 OF 7".
_BARE: Final = {"scale": r"^\s+\d", "sheet": r"^\s+\d+\s*(?:(?:/|OF|DE|VON|SUR)\s*\d+)?\s*$"}


def label_of(text: str) -> tuple[str, str] | None:
    """The field a text names and what stands behind the label ("SCALE: 1:2" → "scale", "1:2"); None for no label."""
    words = plain(text).strip()
    for label, field in _BY_WORDS:
        if not words.startswith(label):
            continue
        rest = words[len(label) :]
        # Without a sign between them only scales and numbers of sheets are taken as label and value ("SCALE 1:2").
        signed = not rest or re.match(r"^\s*[.:=#]|^\s*$", rest) is not None
        if not signed and not (field in _BARE and re.match(_BARE[field], rest)):
            continue
        tail = text.strip()[len(text.strip()) - len(rest) :] if rest else ""
        value = re.sub(r"^\s*[.#]*\s*[:=]*\s*", "", tail)
        return field, value.strip()
    return None


def is_label(text: str) -> bool:
    """Whether a text names a field of a title block."""
    return label_of(text) is not None


def field_of(tag: str) -> TitleField | None:
    """The field an attribute's tag names."""
    found = label_of(re.sub(r"[_\-]+", " ", tag))
    return None if found is None or found[0] == "angle" else found[0]  # type: ignore[return-value]


def angle_stated(text: str) -> Angle | None:
    """The angle of projection a text states, in the words of four languages."""
    words = plain(text)
    if re.search(_FIRST + _STATED, words) or re.search(r"(?:METHODE?|METODO|SISTEMA)\b\s*(?:1|E\b|EUROP)", words):
        return "first"
    if re.search(_THIRD + _STATED, words) or re.search(r"(?:METHODE?|METODO|SISTEMA)\b\s*(?:3|A\b|AMERIC)", words):
        return "third"
    return None
