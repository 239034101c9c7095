"""What the drawings of an assembly's parts demand: the parts list, and each part as if it stood alone."""

from maqueta.projection.project import project
from maqueta.study.analysis import analysis, assembly_analysis
from tests.assemblies import component_solid, demo_assembled


def test_each_part_of_a_shuttle_is_told_once_and_as_it_is_alone() -> None:
    _, whole = demo_assembled("shuttle")
    kinds = {own.part for own in whole.components}
    alone = {kind: project(*component_solid(kind)) for kind in kinds}
    told = assembly_analysis(whole, alone)
    assert len(told["components"]) == len(whole.components)
    assert sum(row["quantity"] for row in told["parts"]) == len(whole.components)
    assert [row["number"] for row in told["parts"]] == list(range(1, len(kinds) + 1))
    for row in told["parts"]:
        by_itself = analysis(alone[row["key"]])
        assert {key: row[key] for key in by_itself} == by_itself
