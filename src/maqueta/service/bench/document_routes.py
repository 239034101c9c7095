"""Sheet documents by themselves, whatever exercise they belong to."""

from fastapi import APIRouter

from maqueta.service.bench.messages import InkRequest
from maqueta.service.world import AnyAccount
from maqueta.sheet.document import SheetDocument

router = APIRouter(prefix="/api/documents")


@router.post("")
def opened(form: InkRequest, _: AnyAccount) -> SheetDocument:
    """A document of any format in the present one: what a browser kept may be older than the service."""
    return form.document
