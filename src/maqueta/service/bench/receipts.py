"""Receipts: what somebody is told who hands in, by which it can be shown later what came and when."""

import hashlib
import json
from collections.abc import Mapping
from typing import Annotated, Any

from fastapi import APIRouter
from pydantic import StringConstraints

from maqueta.service.messages import Time
from maqueta.service.world import AnyAccount, InTransaction
from maqueta.store.sheets import sheets_of_receipt
from maqueta.strict import Strict

router = APIRouter(prefix="/api/receipts")


def receipt_of(document: Mapping[str, Any]) -> str:
    """The hash of a sheet as it was handed in: SHA-256 of its JSON with sorted keys and no blanks, in hex."""
    text = json.dumps(document, sort_keys=True, separators=(",", ":"), ensure_ascii=False)
    return hashlib.sha256(text.encode()).hexdigest()


class ReceiptAnswer(Strict):
    """A sheet that a receipt belongs to. `unchanged` is whether what is kept is still what came."""

    sheet: int
    exercise: str
    student: str
    attempt: int
    handed_in_at: Time | None
    unchanged: bool


@router.get("/{receipt}")
def belongs_to(
    receipt: Annotated[str, StringConstraints(pattern=r"^[0-9a-f]{64}$")], account: AnyAccount, session: InTransaction
) -> list[ReceiptAnswer]:
    """The sheets a receipt was given for, among those the account may see; equal sheets have equal receipts."""
    return [
        ReceiptAnswer(
            sheet=sheet.id,
            exercise=sheet.exercise.title,
            student=sheet.student.name,
            attempt=sheet.attempt,
            handed_in_at=sheet.handed_in_at,
            unchanged=receipt_of(sheet.document) == receipt,
        )
        for sheet in sheets_of_receipt(session, account, receipt)
    ]
