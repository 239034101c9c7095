"""Reading sheet forms, done in a process of its own with limits on time and memory: the files are hostile."""

from dataclasses import dataclass

from maqueta.phrases.phrase import Phrase, phrase
from maqueta.reading.dxf.file import read_dxf
from maqueta.reading.errors import UnreadableSheetError
from maqueta.reading.form_file import read_form


@dataclass(frozen=True, slots=True)
class FormWork:
    """A form as read (as JSON) and what of the file it does not hold, or the reason why there is none."""

    form: str = ""
    not_read: tuple[Phrase, ...] = ()
    refused: Phrase | None = None


def read_form_file(data: bytes) -> FormWork:
    """Read a sheet form from a DXF file."""
    try:
        read = read_form(read_dxf(data, blank=True))
    except UnreadableSheetError as error:
        return FormWork(refused=error.reason)
    except MemoryError:
        return FormWork(refused=phrase("sheet-needs-memory"))
    return FormWork(read.form.model_dump_json(), read.not_read)
