"""STEP assemblies: names, tree, places and colours of components; back again; and files that are none."""

import gzip
import re
from collections import Counter
from pathlib import Path

import pytest

from maqueta.demo.put_together import demo_assembly
from maqueta.phrases.said import said
from maqueta.solid.assembled import assembled
from maqueta.solid.assembly import MOST_COMPONENTS, Assembly, PlacedPart, parts_list
from maqueta.solid.errors import PartError
from maqueta.solid.examine import examine
from maqueta.solid.kernel import box_of, volume_of
from maqueta.solid.placement import Placement
from maqueta.solid.step import read_step, write_step
from maqueta.solid.step_assembly import StepAssembly, document_of, may_be_assembly, read_assembly, write_assembly
from tests.assemblies import component_solid, demo_assembled, solids_of
from tests.parts import block, demo_solid, made

#: An assembly of another kernel's making, in Debian's package of a mesh generator's documentation (gmsh-doc): brackets
#: on a plate, with bolts, nuts and a rod.
BRACKETS = Path("/usr/share/doc/gmsh-doc/doc/gmsh/demos/api/as1-tu-203.stp.gz")


@pytest.fixture(scope="module")
def brackets(tmp_path_factory: pytest.TempPathFactory) -> Path:
    path = tmp_path_factory.mktemp("step") / "brackets.step"
    path.write_bytes(gzip.decompress(BRACKETS.read_bytes()))
    return path


def read(path: Path) -> StepAssembly:
    found = read_assembly(path, "mm")
    assert found is not None
    return found


def usages(text: str) -> Counter[str]:
    """How often each product occurs in the whole tree, counted in the text of the file, by its own entities alone."""
    entities = dict(re.findall(r"#(\d+)\s*=\s*([^;]*);", text.replace("\n", "")))

    def product_of(definition: str) -> str:
        formation = re.findall(r"#(\d+)", entities[definition])[0]
        product = re.findall(r"#(\d+)", entities[formation])[0]
        return str(re.findall(r"'([^']*)'", entities[product])[1])

    below: dict[str, list[str]] = {}
    for entity in entities.values():
        if entity.startswith("NEXT_ASSEMBLY_USAGE_OCCURRENCE"):
            above, part = re.findall(r"#(\d+)", entity)
            below.setdefault(above, []).append(part)
    (root,) = set(below) - {part for parts in below.values() for part in parts}

    def count(definition: str) -> Counter[str]:
        if definition not in below:
            return Counter([product_of(definition)])
        return sum((count(part) for part in below[definition]), Counter[str]())

    return count(root)


def test_a_tree_is_read_with_all_its_occurrences(brackets: Path) -> None:
    """The parts list against the tree as the text of the file has it: nothing of the kernel's own reading."""
    found = read(brackets)
    expected = usages(brackets.read_text("latin-1"))
    assert expected == {"nut": 8, "bolt": 6, "l-bracket": 2, "rod": 1, "plate": 1}
    assert Counter(own.name for own in found.components) == expected
    assert len({own.product for own in found.components}) == len(expected)
    assert found.name == "as1"
    assert found.left_out == ()
    deepest = {own.within for own in found.components if own.name == "bolt"}
    assert deepest == {("l-bracket-assembly", "nut-bolt-assembly")}
    assert {own.colour for own in found.components if own.name == "l-bracket"} == {"#00ff00"}


def test_components_stand_where_the_whole_file_has_them(brackets: Path) -> None:
    """Put together from its components, the file is what it is when it is read as one part."""
    found = read(brackets)
    keys = [f"p{k}" for k in range(1 + max(own.product for own in found.components))]
    solids = {
        keys[own.product]: (own.shape, examine(own.shape, part_hash=own.name, name=own.name, unit="mm"))
        for own in found.components
    }
    shape, part = assembled(document_of(found, "mm", keys), solids)
    whole, unit = read_step(brackets)
    assert unit == "mm"
    assert volume_of(shape) == pytest.approx(volume_of(whole))
    for mine, theirs in zip(box_of(shape), box_of(whole), strict=True):
        assert mine == pytest.approx(theirs, abs=1e-6)
    rows = parts_list(part.components)
    assert {row.name: row.quantity for row in rows} == usages(brackets.read_text("latin-1"))


@pytest.mark.parametrize("unit", ["mm", "inch"])
def test_what_is_written_comes_back(unit: str, tmp_path: Path) -> None:
    solids = {
        "a": made(block((4, 3, 1)), units=unit, name="Plate"),
        "b": made(block((1, 1, 2)), units=unit, name="Peg"),
    }
    turn = Placement(at=(1.5, 1.0, 1.0)).turned((0.0, 0.0, 0.0), (0.6, 0.0, 0.8), 35.0)
    components = (
        PlacedPart(id="c1", name="Plate", part="a"),
        PlacedPart(id="c2", name="Peg", part="b", colour="#8d9bb0", within=("Pegs",)).placed(turn),
        PlacedPart(id="c3", name="Peg", part="b", at=(3, 0, 1), within=("Pegs", "Far pegs")),
    )
    assembly = Assembly.model_validate({"name": "Plate with pegs", "units": unit, "components": components})
    path = tmp_path / "pegs.step"
    write_assembly(assembly, solids, path)
    assert may_be_assembly(path.read_bytes())
    found = read_assembly(path, assembly.units)
    assert found is not None
    assert (found.name, found.left_out) == ("Plate with pegs", ())
    again = document_of(found, assembly.units, ["a", "b"])
    for mine, own in zip(again.components, components, strict=True):
        assert (mine.name, mine.part, mine.colour, mine.within) == (own.name, own.part, own.colour, own.within)
        assert mine.at == pytest.approx(own.at, abs=1e-7)
        for axis, expected in zip(mine.axes, own.axes, strict=True):
            assert axis == pytest.approx(expected, abs=1e-9)
    # Read as one part it is as large, in the same unit.
    whole, read_unit = read_step(path)
    assert read_unit == unit
    assert volume_of(whole) == pytest.approx(volume_of(assembled(assembly, solids)[0]))


def test_a_demo_assembly_comes_back_whole(tmp_path: Path) -> None:
    assembly, (shape, _) = demo_assembly("shuttle"), demo_assembled("shuttle")
    path = tmp_path / "shuttle.step"
    write_assembly(assembly, solids_of(assembly), path)
    found = read(path)
    assert [own.name for own in found.components] == [own.name for own in assembly.components]
    assert [own.colour for own in found.components] == [own.colour for own in assembly.components]
    assert volume_of(read_step(path)[0]) == pytest.approx(volume_of(shape))


def test_a_part_of_one_solid_or_of_several_is_no_assembly(tmp_path: Path) -> None:
    path = tmp_path / "part.step"
    write_step(demo_solid("reed-clamp")[0], "mm", path)
    assert not may_be_assembly(path.read_bytes())
    assert read_assembly(path, "mm") is None


def test_an_assembly_of_one_component_is_a_part(tmp_path: Path) -> None:
    alone = Assembly(name="Alone", components=(PlacedPart(id="c1", name="Pin", part="pedal-pin"),))
    path = tmp_path / "alone.step"
    write_assembly(alone, {"pedal-pin": component_solid("pedal-pin")}, path)
    assert read_assembly(path, "mm") is None


def test_more_components_than_an_assembly_may_have_are_refused(tmp_path: Path) -> None:
    solids = {"peg": made(block((1, 1, 2)))}
    pegs = [PlacedPart(id=f"c{k}", name="Peg", part="peg", at=(2 * k, 0, 0)) for k in range(MOST_COMPONENTS + 1)]
    path = tmp_path / "many.step"
    write_assembly(Assembly(name="Full", components=tuple(pegs[:-1])), solids, path)
    assert len(read(path).components) == MOST_COMPONENTS
    # The document bars what is too much, a file does not.
    full = Assembly.model_construct(format=1, name="Too full", units="mm", natural_up=None, components=tuple(pegs))
    write_assembly(full, solids, path)
    with pytest.raises(PartError, match="up to 200 components"):
        read(path)


def test_a_component_without_a_solid_is_named(brackets: Path, tmp_path: Path) -> None:
    """The plate's shape is gone from the file: the others are there, and it is said whose is not."""
    text = brackets.read_text("latin-1")
    solids = list(re.finditer(r"MANIFOLD_SOLID_BREP", text))
    gone = solids[-1]
    path = tmp_path / "damaged.step"
    path.write_text(text[: gone.start()] + "GEOMETRIC_REPRESENTATION_ITEM" + text[gone.end() :], "latin-1")
    found = read(path)
    assert [said(own) for own in found.left_out] == ["“plate” has no solid and is left out"]
    assert Counter(own.name for own in found.components) == {"nut": 8, "bolt": 6, "l-bracket": 2, "rod": 1}


def test_a_file_that_is_cut_off_is_refused(brackets: Path, tmp_path: Path) -> None:
    path = tmp_path / "cut.step"
    path.write_bytes(brackets.read_bytes()[:3000])
    with pytest.raises(PartError):
        read_assembly(path, "mm")
