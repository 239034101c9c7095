"""Sheet forms, read where files are read."""

from maqueta.phrases.phrase import phrase
from maqueta.reading.dxf.file import read_dxf
from maqueta.reading.errors import UnreadableSheetError
from maqueta.reading.form_file import read_form
from maqueta.service.sheet_forms.file_work import FormWork


def form_read(data: bytes) -> FormWork:
    """A sheet form as read from a DXF file."""
    try:
        read = read_form(read_dxf(data, blank=True))
    except UnreadableSheetError as error:
        return FormWork(refused=error.reason)
    except MemoryError:
        return FormWork(refused=phrase("sheet-needs-memory"))
    return FormWork(read.form.model_dump_json(), read.not_read)
