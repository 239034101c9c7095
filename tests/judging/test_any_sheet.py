"""Whatever a document may say, it is judged, drawn and reported: views of every kind, hanging on each other anyhow."""

from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from maqueta.drawing.sheet_ink import sheet_ink
from maqueta.judging.catalogue import wording
from maqueta.judging.report import check, report
from maqueta.phrases.said import LANGUAGES, said
from maqueta.projection.attitude import ATTITUDES, CORNERS, Attitude
from maqueta.projection.look import Look
from maqueta.projection.project import drawn
from maqueta.projection.projected_part import ProjectedPart
from maqueta.sheet.document import SheetDocument
from maqueta.sheet.evened import evened, rescaled
from maqueta.sheet.former import upgraded
from maqueta.sheet.special import SheetCut
from maqueta.sheet.view_graph import folded
from maqueta.study.readers_eye import readers_eye
from maqueta.task.exercise import Exercise
from tests.parts import demo_projected, demo_solid
from tests.projection.frames import spread_looks

FRONT = Attitude("-y", "+z").look
SLANTED = (folded(FRONT, (0.6, 0.8)), folded(FRONT, (0.0, 1.0)), spread_looks(1, seed=3)[0])
#: A full and a stepped section of the clamp, one that misses it, and a region to enlarge.
CUTS: list[dict[str, Any]] = [
    {"form": "full", "path": [[0, 20, 0], [96, 20, 0]], "across": [0, 0, 1]},
    {"form": "offset", "path": [[0, 15, 0], [40, 15, 0], [40, 30, 0], [96, 30, 0]], "across": [0, 0, 1]},
    {"form": "full", "path": [[0, 900, 0], [96, 900, 0]], "across": [0, 0, 1]},
]
REGION = {"centre": [20, 10], "radius": 9}
LINES = [{"kind": "line", "points": [[0, 0], [40, 0]]}, {"kind": "line", "pen": "hidden", "points": [[0, 9], [40, 9]]}]


@pytest.fixture(scope="module")
def part() -> ProjectedPart:
    cuts = [Look(FRONT.frame, SheetCut.model_validate(cut).cut(FRONT.towards)) for cut in CUTS]
    return demo_projected("reed-clamp").with_looks(drawn(*demo_solid("reed-clamp"), (*SLANTED, *cuts)))


places = st.tuples(st.integers(0, 420), st.integers(0, 297))
ways = st.one_of(
    st.sampled_from(ATTITUDES).map(lambda a: ("principal", {"side": a.side, "up": a.up})),
    st.sampled_from(SLANTED).map(lambda look: ("auxiliary", {"frame": look.frame})),
    st.sampled_from(CORNERS).map(lambda corner: ("pictorial", {"corner": corner})),
    st.sampled_from(("section", "detail")).map(lambda kind: (kind, {"frame": FRONT.frame})),
    st.just(("unrecognised", None)),
)
letters = st.sampled_from([None, "A", "B"])


@st.composite
def special(draw: st.DrawFn, kind: str) -> dict[str, Any]:
    """What a section and a detail have besides."""
    if kind not in ("section", "detail"):
        return {}
    cut = draw(st.sampled_from(CUTS)) if kind == "section" or draw(st.booleans()) else None
    hatch = draw(st.sampled_from([None, {"angle": 45, "spacing": 2}]))
    return {"cut": cut, "clip": REGION if kind == "detail" else None, "letter": draw(letters), "hatch": hatch}


@st.composite
def documents(draw: st.DrawFn) -> SheetDocument:
    views: list[dict[str, Any]] = []
    for number in range(draw(st.integers(0, 5))):
        kind, look = draw(ways)
        by_hand = kind == "unrecognised" or draw(st.booleans())
        hangs = [view["id"] for view in views if view["kind"] in ("principal", "auxiliary", "section")]
        parent = draw(st.sampled_from([None, *hangs])) if kind not in ("pictorial", "unrecognised") else None
        scale = draw(st.sampled_from([0.5, 1.0]))
        mirrored = by_hand and kind == "principal" and draw(st.booleans())
        own = {"id": f"v{number}", "kind": kind, "look": look, "parent": parent, "at": draw(places), "scale": scale}
        more = draw(special(kind)) | {"hidden": draw(st.booleans())}
        views.append(own | {"lines": LINES if by_hand else None, "mirrored": mirrored} | more)
    sizes = [
        {"kind": "linear", "id": f"d{k}", "view": view["id"], "start": [0, 0], "end": [40, 0], "along": along}
        for k, view in enumerate(views)
        for along in draw(st.sampled_from([(), ("across",), ("aligned",)]))
    ]
    placed = [{**size, "place": [20, -12]} for size in sizes]
    marks = [{"kind": "line", "id": f"m{v['id']}", "view": v["id"], "start": [0, 0], "end": [9, 9]} for v in views[:2]]
    return SheetDocument.model_validate({"format": 2, "views": views, "dimensions": placed, "marks": marks})


tasks = st.sampled_from(
    [Exercise(), Exercise(views=("front", "top"), angle="first"), Exercise(pictorial="required", hidden_lines=False)]
)


@given(documents(), tasks)
@settings(max_examples=110)
def test_any_sheet_is_judged_drawn_and_reported(part: ProjectedPart, sheet: SheetDocument, task: Exercise) -> None:
    result = check(part, task, sheet)
    told = report(result)
    assert [view["id"] for view in told["views"]] == [view.id for view in sheet.views]
    assert all(said(wording(finding).message, language) for finding in result.findings for language in LANGUAGES)
    drawn_views = {group.id for group in sheet_ink(part, sheet) if group.role == "view"}
    assert drawn_views <= {view.id for view in sheet.views}
    readers_eye(result.dimensions)
    for changed in (evened(part, sheet, "third"), rescaled(part, sheet, 0.5, "third")):
        assert [view.parent for view in changed.views] == [view.parent for view in sheet.views]


def test_auxiliary_views_alone_have_nothing_to_be_measured_by(part: ProjectedPart) -> None:
    """No principal view, so no front and no scale of the sheet; one slanted view hangs on the other all the same."""
    first = {"id": "a1", "kind": "auxiliary", "look": {"frame": SLANTED[0].frame}, "at": [100, 100]}
    second = {**first, "id": "a2", "parent": "a1", "look": {"frame": folded(SLANTED[0], (1.0, 0.0)).frame}}
    both = part.with_looks(drawn(*demo_solid("reed-clamp"), [folded(SLANTED[0], (1.0, 0.0))]))
    sheet = SheetDocument.model_validate({"format": 2, "views": [first, second]})
    assert report(check(both, Exercise(), sheet))["criteria"]["alignment"]["outcome"] == "not-met"


anything = st.recursive(
    st.none() | st.booleans() | st.integers(-3, 3) | st.sampled_from(["v1", "-y", "+z", "", "+++"]),
    lambda inner: (
        st.lists(inner, max_size=3)
        | st.dictionaries(
            st.sampled_from(["id", "side", "up", "corner", "turn", "lines", "at", "x"]), inner, max_size=4
        )
    ),
    max_leaves=8,
)


@given(st.dictionaries(st.sampled_from(["format", "front", "views", "title", "y"]), anything, max_size=4))
@settings(max_examples=300)
def test_no_nonsense_in_a_former_format_is_more_than_refused(data: dict[str, Any]) -> None:
    again = upgraded({"format": 1, **data})
    for given_so in (data, {"format": 1, **data}, again):
        try:
            SheetDocument.model_validate(given_so)
        except ValueError:
            continue


@pytest.mark.parametrize("front", [[], {}, ["v1"], 7])
@pytest.mark.parametrize("name", [[], {"a": 1}, 3, None])
def test_what_cannot_be_a_name_is_refused(front: Any, name: Any) -> None:
    with pytest.raises(ValueError, match="validation error"):
        SheetDocument.model_validate({"format": 1, "front": front, "views": [{"id": name, "side": "-y", "up": "+z"}]})
