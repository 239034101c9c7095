"""A desk at which the sheet of an exercise is set out: its part drawn as the views show it that are left to draw; and
whether an exercise can be set."""

from fastapi import HTTPException

from maqueta.phrases.phrase import phrase
from maqueta.service.desk import DeskPlace
from maqueta.service.desk_work import Desk
from maqueta.service.exercises.work import begun, begun_looks
from maqueta.sheet.form_flaws import form_flaws
from maqueta.store.models import VersionRecord
from maqueta.task.exercise import Exercise


def set_out(at: DeskPlace, desk: Desk) -> Desk:
    """The desk, once its part is drawn so. Raises HTTPException 422 where it cannot be drawn."""
    if desk.task.drafting.kind != "special view" and desk.task.shows != "pulled apart":
        return desk
    return at.seen_so(desk, at.run(begun_looks, desk))


def ready_to_set(at: DeskPlace, version: VersionRecord, task: Exercise, varied: bool) -> None:
    """Raises HTTPException 422 where an exercise cannot be set so; whether sizes can vary is another question."""
    own = task.sheet_form
    if own is not None and (barred := next((flaw for flaw in form_flaws(own) if flaw.bars), None)) is not None:
        raise HTTPException(422, phrase("form-not-ready", reason=barred.what))
    if varied and task.drafting.changes:
        raise HTTPException(422, phrase("changes-need-one-size"))
    at.run(begun, set_out(at, at.desk(version, task)))
