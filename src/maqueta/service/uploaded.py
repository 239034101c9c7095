"""Files that somebody uploads, taken in no further than they may be large."""

from pathlib import PurePath

from fastapi import HTTPException, UploadFile

from maqueta.phrases.phrase import phrase
from maqueta.service.settings import Settings


def uploaded_sheet(settings: Settings, file: UploadFile) -> tuple[bytes, str]:
    """Content and name of a file. What it is, its content tells. Raises HTTPException (413) for what is too large."""
    name = PurePath(file.filename or "sheet").name
    data = file.file.read(settings.largest_upload + 1)
    if len(data) > settings.largest_upload:
        raise HTTPException(413, phrase("sheet-file-too-large"))
    return data, name
