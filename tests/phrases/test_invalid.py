"""What is wrong with data is told in every language, in the program's own words wherever it is anything usual."""

from typing import Annotated, Any

import pytest
from pydantic import BaseModel, Field, ValidationError

from maqueta.phrases.invalid import first_fault, place_of
from maqueta.phrases.said import LANGUAGES, said
from maqueta.solid.recipe import Recipe
from maqueta.task.exercise import Exercise


def _block(**changed: Any) -> dict[str, Any]:
    block = {"kind": "block", "name": "base", "at": [0, 0, 0], "size": [60, 40, 20]} | changed
    return {"name": "Stop", "units": "mm", "features": [block]}


def _fault(model: Any, data: dict[str, Any]) -> ValidationError:
    with pytest.raises(ValidationError) as caught:
        model.model_validate(data)
    return caught.value


@pytest.mark.parametrize(
    ("model", "data", "words", "palabras"),
    [
        (Recipe, _block(size=[-3, 40, 20]), "it should be 0.0001 or more", "debería ser 0,0001 o más"),
        (Recipe, _block(size=[60, 40]), "this is missing", "esto falta"),
        (Recipe, _block(colour="red"), "nothing of this name is known", "no se conoce nada con este nombre"),
        (Recipe, _block(size=[1e12, 40, 20]), "or less", "o menos"),
        (Recipe, _block(size=["60 +", 40, 20]), "“60 +” cannot be read as a size", "«60 +» no se puede leer"),
        (Recipe, _block(kind="knob"), "none of what can be chosen", "nada de lo que se puede elegir"),
        (Recipe, _block() | {"features": []}, "1 of them or more", "haber 1 o más"),
        (Recipe, _block(name=""), "one character or more", "un carácter o más"),
        (Exercise, {"title": "x", "scale": "0:1"}, "write the scale as 1:2 or 2:1", "escriba la escala como 1:2 o 2:1"),
        (Exercise, {"views": ["front", "front"]}, "every view is asked for once", "cada vista se pide una sola vez"),
    ],
)
def test_what_is_wrong_is_told_in_our_own_words(model: Any, data: dict[str, Any], words: str, palabras: str) -> None:
    told = first_fault(_fault(model, data))
    assert words in said(told, "en")
    assert palabras in said(told, "es")


class _Bounded(BaseModel):
    above: Annotated[float, Field(gt=2)] = 3
    below: Annotated[float, Field(lt=2)] = 1
    finite: Annotated[float, Field(allow_inf_nan=False)] = 0
    number: float = 0
    short: Annotated[str, Field(max_length=3)] = ""
    few: Annotated[list[int], Field(max_length=2)] = []
    written: Annotated[str, Field(pattern="^[ab]+$")] = "a"


@pytest.mark.parametrize(
    ("data", "words"),
    [
        ({"above": 2}, "above: it should be more than 2"),
        ({"below": 2}, "below: it should be less than 2"),
        ({"finite": float("inf")}, "finite: it should be a finite number"),
        ({"number": "three"}, "number: it should be a number"),
        ({"short": "long words"}, "short: it should have 3 characters or less"),
        ({"few": [1, 2, 3]}, "few: there should be 2 of them or fewer"),
        ({"written": "c"}, "written: it is not written in the way that is wanted here"),
    ],
)
def test_every_usual_bound_has_its_own_words(data: dict[str, Any], words: str) -> None:
    assert said(first_fault(_fault(_Bounded, data))) == words


def test_rare_faults_keep_the_words_they_were_found_with() -> None:
    told = first_fault(_fault(Exercise, {"due": object(), "views": object()}))
    assert all(said(told, language) for language in LANGUAGES)


def test_a_place_is_told_by_the_keys_of_the_data_alone() -> None:
    fault = _fault(Recipe, _block(size=[-3, 40, 20])).errors()[0]
    assert place_of(fault["loc"]) == ("features", 0, "block", "size", 0)
    assert said(first_fault(_fault(Recipe, _block(size=[-3, 40, 20])))).startswith("features.0.block.size.0: ")
