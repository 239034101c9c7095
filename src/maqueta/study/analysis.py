"""What a part's drawing demands: features, ranking of front views, views and dimensions needed."""

from collections import Counter
from collections.abc import Mapping
from typing import Any, Final

from maqueta.geometry.rounding import tidy
from maqueta.phrases.said import said
from maqueta.projection.arrangement import neighbour
from maqueta.projection.attitude import Attitude
from maqueta.projection.axes_seen import axis_and_sign
from maqueta.projection.datum_sides import DIRECTIONS, direction_of_axis
from maqueta.projection.projected_part import ProjectedPart
from maqueta.projection.ranking import DEFAULT_VIEWS, Ranked, reasons
from maqueta.sheet.dimension import LinearDimension, true_size
from maqueta.sheet.placed import PlacedView
from maqueta.sheet.view import View, square
from maqueta.sizes.form.model import form_model, undimensioned
from maqueta.sizes.proposal import Proposed, propose
from maqueta.solid.assembly import parts_list
from maqueta.solid.formed import Form
from maqueta.solid.part import Part
from maqueta.study.demands import Demands, NeededView, demands, special_views

ANALYSIS_FORMAT: Final = 1


def assembly_analysis(whole: Part, parts: Mapping[str, ProjectedPart]) -> dict[str, Any]:
    """The report of `maqueta analyse` on an assembly: its components, its parts list, and the report on each part."""
    rows = parts_list(whole.components)
    return {
        "format": ANALYSIS_FORMAT,
        "part": _part_json(whole),
        "components": [{"id": own.id, "name": own.name, "part": own.part} for own in whole.components],
        "parts": [
            {
                "number": row.number,
                "name": row.name,
                "material": row.material,
                "quantity": row.quantity,
                "key": row.part,
            }
            | analysis(parts[row.part])
            for row in rows
        ],
    }


def _part_json(part: Part) -> dict[str, Any]:
    return {
        "hash": part.hash,
        "units": part.unit,
        "extents": [tidy(e) for e in part.extents],
        "volume": tidy(part.volume),
        "solids": part.solids,
        "faces": len(part.faces),
    }


def analysis(projected: ProjectedPart) -> dict[str, Any]:
    """The report of `maqueta analyse` (format 1)."""
    part = projected.part
    found = demands(projected)
    return {
        "format": ANALYSIS_FORMAT,
        "part": _part_json(part),
        "features": [
            {
                "kind": feature.kind,
                "through": feature.through,
                "diameter": tidy(feature.diameter),
                "depth": tidy(feature.depth),
                "axis": feature.axis,
                "at": [tidy(c) for c in feature.at],
            }
            | ({"angle": tidy(feature.angle)} if feature.kind == "countersink" else {})
            for feature in part.features
        ],
        "surfaces": dict(sorted(Counter(face.kind for face in part.faces).items())),
        "forms": [_form_json(form) for form in found.forms],
        "patterns": [
            {"features": list(pattern.features), "layout": pattern.layout, "pitch": tidy(pattern.pitch)}
            for pattern in found.patterns
        ],
        "symmetry": {"planes": list(found.symmetry.planes), "turned_about": found.symmetry.turned_about},
        "standing": [{"up": s.up, "footprint": tidy(s.footprint), "height": tidy(s.height)} for s in found.standings],
        "ranking": [_ranked_json(entry, part) for entry in found.ranking],
        "views": {
            "needed": list(found.need.needed),
            "repeated": [list(pair) for pair in found.need.repeated],
            "reasons": {name: said(why) for name, why in found.need.reasons},
            "special": [_special_json(own) for own in special_views(found.special)],
        },
        "scales": [{"paper": s.paper, "scale": s.scale, "across": s.across, "up": s.up} for s in found.scales],
        "dimensioning": _dimensioning(found, projected),
    }


def _special_json(own: NeededView) -> dict[str, Any]:
    """A special view a part needs, as a task asks for it, with its reason."""
    asked: dict[str, Any] = _tidied(own.asked.model_dump(mode="json", exclude_none=True))
    return asked | {"why": said(own.why)}


def _tidied(json: Any) -> Any:
    """JSON with all its numbers tidied: to nine decimals, since some are parts of directions."""
    if isinstance(json, dict):
        return {key: _tidied(value) for key, value in json.items()}
    if isinstance(json, list):
        return [_tidied(value) for value in json]
    return tidy(json, 9) if isinstance(json, float) else json


def _form_json(form: Form) -> dict[str, Any]:
    json: dict[str, Any] = {"kind": form.kind, "size": tidy(form.size), "length": tidy(form.length)}
    if form.kind == "slot":
        json |= {"depth": tidy(form.depth), "through": form.through}
    return json | {"axis": form.axis}


def _ranked_json(entry: Ranked, part: Part) -> dict[str, Any]:
    return {
        "side": entry.attitude.side,
        "up": entry.attitude.up,
        "score": round(entry.score, 1),
        "equal_to": [[other.side, other.up] for other in entry.equal_to],
        "measures": {
            "length": round(entry.measures.length, 4),
            "shape": round(entry.measures.shape, 4),
            "hidden": round(entry.measures.hidden, 4),
            "natural": round(entry.measures.natural, 4),
        },
        "words": [said(reason) for reason in reasons(entry, part)],
    }


def _dimensioning(found: Demands, projected: ProjectedPart) -> dict[str, Any]:
    if found.reason is not None:
        return {"not_judged": said(found.reason)}
    front = found.ranking[0].attitude
    return {
        "needed": found.sizes,
        "least": found.least_sizes,
        "per_direction": {
            row.row: {"stretches": row.stretches, "needed": row.needed} for row in found.counts if row.row in DIRECTIONS
        },
        "diameters": {"needed": found.diameters},
        "proposal": [_proposed_json(item, front) for item in _proposal(projected, front)],
    }


def _proposal(projected: ProjectedPart, front: Attitude) -> tuple[Proposed, ...]:
    """A set of dimensions for front, top and right view, which are named by their ids; none for a part aslant."""
    if undimensioned(projected.part) is not None:
        return ()
    views: list[PlacedView] = []
    for name in DEFAULT_VIEWS:
        attitude = neighbour(front, name)
        view = View(id=name, look=square(attitude), at=(0.0, 0.0))
        views.append(PlacedView(view, projected.line_set(attitude.look), 1.0, attitude.look))
    return propose(form_model(projected.part), projected.part, front, views, lambda value: f"{tidy(value):g}")


def _proposed_json(item: Proposed, front: Attitude) -> dict[str, Any]:
    dimension, axis = item.dimension, item.measured.axis
    direction = start = end = None
    if isinstance(dimension, LinearDimension) and axis is not None:
        attitude = neighbour(front, next(name for name in DEFAULT_VIEWS if name == dimension.view))
        index = 0 if dimension.along == "across" else 1
        _, sign = axis_and_sign((attitude.right, attitude.up)[index])
        direction = direction_of_axis(front, axis)
        start, end = (tidy(sign * point[index]) for point in (dimension.start, dimension.end))
    return {
        "kind": dimension.kind,
        "view": dimension.view,
        "direction": direction,
        "from": start,
        "to": end,
        "value": tidy(true_size(dimension)),
        "count": getattr(dimension, "count", 1),
        "overall": item.overall,
    }
