"""What a part's drawing demands: features, ranking of front views, views and dimensions needed."""

from typing import Any, Final

from maqueta.dimensioning.count import count, diameters
from maqueta.dimensioning.determinacy import needed_sizes
from maqueta.dimensioning.proposal import propose
from maqueta.dimensioning.size_model import size_model, unsupported
from maqueta.projection.attitude import Attitude
from maqueta.projection.needed import view_need
from maqueta.projection.projected_part import ProjectedPart
from maqueta.projection.ranking import Ranked, rank, words
from maqueta.solid.part import Part

ANALYSIS_FORMAT: Final = 1


def _tidy(value: float) -> float:
    return round(value, 6) + 0.0


def analysis(projected: ProjectedPart) -> dict[str, Any]:
    """The report of `maqueta analyse` (format 1)."""
    part = projected.part
    ranking = rank(projected)
    front = ranking[0].attitude
    need = view_need(projected, front)
    return {
        "format": ANALYSIS_FORMAT,
        "part": {
            "hash": part.hash,
            "units": part.unit,
            "extents": [_tidy(e) for e in part.extents],
            "volume": _tidy(part.volume),
            "solids": part.solids,
            "faces": len(part.faces),
        },
        "features": [
            {
                "kind": feature.kind,
                "through": feature.through,
                "diameter": _tidy(feature.diameter),
                "depth": _tidy(feature.depth),
                "axis": feature.axis,
                "at": [_tidy(c) for c in feature.at],
            }
            for feature in part.features
        ],
        "ranking": [_ranked_json(entry, part) for entry in ranking],
        "views": {"needed": list(need.needed), "repeated": [list(pair) for pair in need.repeated]},
        "dimensioning": _dimensioning(part, front),
    }


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
        "words": words(entry, part),
    }


def _dimensioning(part: Part, front: Attitude) -> dict[str, Any]:
    reason = unsupported(part)
    if reason is not None:
        return {"not_judged": reason}
    model = size_model(part)
    return {
        "needed": needed_sizes(model),
        "per_direction": {row.direction: {"stretches": row.stretches} for row in count(model, front)},
        "diameters": {"needed": diameters(model)[0]},
        "proposal": [
            {
                "kind": size.kind,
                "direction": size.direction,
                "from": _tidy(size.start),
                "to": _tidy(size.end),
                "value": _tidy(size.value),
                "overall": size.overall,
            }
            for size in propose(model, front)
        ],
    }
