"""Files that somebody uploads, taken in no further than they may be large."""

from pathlib import PurePath

from fastapi import HTTPException, UploadFile

from maqueta.phrases.phrase import phrase
from maqueta.service.settings import Settings


def uploaded_dxf(settings: Settings, file: UploadFile) -> tuple[bytes, str]:
    """Content and name of a DXF file. Raises HTTPException for other kinds (415) and for what is too large (413)."""
    name = PurePath(file.filename or "sheet").name
    if PurePath(name).suffix.lower() != ".dxf":
        raise HTTPException(415, phrase("sheet-file-kind"))
    data = file.file.read(settings.largest_upload + 1)
    if len(data) > settings.largest_upload:
        raise HTTPException(413, phrase("sheet-file-too-large"))
    return data, name
