"""Reading sheet forms: what comes of it. It is done in a process of its own, as all reading is: files are hostile."""

from dataclasses import dataclass

from maqueta.phrases.phrase import Phrase


@dataclass(frozen=True, slots=True)
class FormWork:
    """A form as read (as JSON) and what of the file it does not hold, or the reason why there is none."""

    form: str = ""
    not_read: tuple[Phrase, ...] = ()
    refused: Phrase | None = None


def read_form_file(data: bytes) -> FormWork:
    """Read a sheet form from a DXF file."""
    from maqueta.service.sheet_forms import at_reader

    return at_reader.form_read(data)
