"""The school's sheet forms: drawn in the form editor or brought in as DXF, used by every instructor."""

from fastapi import APIRouter, HTTPException, UploadFile

from maqueta.drawing.title_ink import frame_group
from maqueta.phrases.phrase import phrase
from maqueta.phrases.told import ToldError
from maqueta.service.bench.answers import paper_answer
from maqueta.service.language import language_spoken
from maqueta.service.messages import Number
from maqueta.service.sheet_forms.messages import (
    DroppedForm,
    FlawAnswer,
    FormAnswer,
    FormEntry,
    FormLook,
    NewForm,
    PutField,
    ReadFormAnswer,
    SaveForm,
)
from maqueta.service.uploaded import uploaded_sheet
from maqueta.service.world import Instructor, InTransaction, InWorld, aside
from maqueta.sheet.document import Paper
from maqueta.sheet.form_cells import field_put
from maqueta.sheet.form_flaws import form_flaws
from maqueta.sheet.paper import PaperSize
from maqueta.sheet.sheet_form import SheetForm
from maqueta.sheet.usual_form import usual_form
from maqueta.store.models import Account, SheetFormRecord
from maqueta.store.sheet_forms import (
    add_sheet_form,
    bring_form_back,
    drop_sheet_form,
    dropped_forms,
    save_sheet_form,
    sheet_form,
    sheet_forms,
)

router = APIRouter(prefix="/api/sheet-forms")


def _answer(record: SheetFormRecord, account: Account) -> FormAnswer:
    form = SheetForm.model_validate(record.document)
    return FormAnswer(
        id=record.id,
        name=record.name,
        own=record.owner_id == account.id,
        revision=record.revision,
        form=form,
        paper=paper_answer(form.layout),
    )


@router.get("")
def all_forms(instructor: Instructor, session: InTransaction) -> list[FormEntry]:
    """The school's forms."""
    entries = []
    for record in sheet_forms(session):
        form = SheetForm.model_validate(record.document)
        entries.append(
            FormEntry(
                id=record.id,
                name=record.name,
                owner=record.owner.name,
                own=record.owner_id == instructor.id,
                ready=not any(flaw.bars for flaw in form_flaws(form)),
                form=form,
                paper=paper_answer(form.layout),
                saved_at=record.saved_at,
            )
        )
    return entries


@router.get("/dropped")
def thrown_away(instructor: Instructor, session: InTransaction) -> list[DroppedForm]:
    """The own forms that were thrown away in the last thirty days."""
    return [
        DroppedForm(id=record.id, name=record.name, dropped_at=record.dropped_at)
        for record in dropped_forms(session, instructor)
        if record.dropped_at is not None
    ]


@router.post("/{form_id}/back")
def bring_back(form_id: int, instructor: Instructor, session: InTransaction) -> FormAnswer:
    """Bring back a form that was thrown away."""
    return _answer(bring_form_back(session, instructor, form_id), instructor)


@router.get("/usual")
def usual(_: Instructor, size: PaperSize = "A3", landscape: bool = True) -> SheetForm:
    """What a new form begins with: the usual one of a paper, with its captions in the language of who asks."""
    return usual_form(size, landscape, language_spoken())


@router.post("/look")
def look(form: SheetForm, _: Instructor) -> FormLook:
    """How a form that is being drawn will look, and what is wrong with it. Nothing is kept."""
    paper = Paper(size=form.size, landscape=form.landscape, form=form)
    flaws = [FlawAnswer(what=flaw.what, bars=flaw.bars, field=flaw.field) for flaw in form_flaws(form)]
    return FormLook(frame=list(frame_group(paper).items), flaws=flaws)


@router.post("/field")
def put_field(asked: PutField, _: Instructor) -> SheetForm:
    """A form that is being drawn, with a field in the cell around a point. Nothing is kept."""
    try:
        return field_put(asked.form, asked.field, asked.at, language_spoken() if asked.captioned else None)
    except ToldError as error:
        raise HTTPException(422, error.reason) from error


@router.post("/file")
def read_file(file: UploadFile, _: Instructor, session: InTransaction, world: InWorld) -> ReadFormAnswer:
    """Read a form from a DXF file. Nothing is kept: the form editor shows what was read."""
    data, name = uploaded_sheet(world.settings, file)
    with aside(world, session):
        work = world.kernel.read_form(data)
    if work.refused is not None:
        raise HTTPException(422, phrase("file-refused", file=name, reason=work.refused))
    return ReadFormAnswer(form=SheetForm.model_validate_json(work.form), not_read=list(work.not_read))


@router.post("", status_code=201)
def add(form: NewForm, instructor: Instructor, session: InTransaction) -> FormAnswer:
    """Keep a new form, finished or not."""
    return _answer(add_sheet_form(session, instructor, form.name, form.form.model_dump(mode="json")), instructor)


@router.get("/{form_id}")
def one(form_id: int, instructor: Instructor, session: InTransaction) -> FormAnswer:
    """One form."""
    return _answer(sheet_form(session, form_id), instructor)


@router.put("/{form_id}")
def save(form_id: int, form: SaveForm, instructor: Instructor, session: InTransaction) -> FormAnswer:
    """Keep a changed form of one's own. 409 when another tab saved in between: nothing is overwritten.

    Exercises that are set keep the form as it was.
    """
    document = form.form.model_dump(mode="json")
    return _answer(save_sheet_form(session, instructor, form_id, form.name, document, form.base), instructor)


@router.delete("/{form_id}")
def drop(form_id: int, instructor: Instructor, session: InTransaction) -> Number:
    """Throw a form of one's own away. Exercises that use it keep it."""
    drop_sheet_form(session, instructor, form_id)
    return Number(number=1)
