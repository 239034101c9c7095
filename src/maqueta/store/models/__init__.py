"""Tables, a module per area. Times are UTC; JSON columns hold documents that have a Pydantic form of their own."""

from maqueta.store.models.base import Base
from maqueta.store.models.exercises import ExerciseRecord, ModelAnswerRecord, SheetSetRecord, StudentPartRecord
from maqueta.store.models.jobs import JobRecord
from maqueta.store.models.marking import AddedFinding, GivenMark, MoreTime, PinRecord, SchemeChange, SchemeTemplate
from maqueta.store.models.people import (
    Account,
    Deed,
    Enrolment,
    FailedLogIn,
    KnownBrowser,
    LogIn,
    SchoolClass,
    SharedClass,
    SharedKey,
)
from maqueta.store.models.sheets import CorrectionRecord, FindingRecord, OriginalRecord, SheetRecord
from maqueta.store.models.shelf import LabelRecord, PartRecord, ProjectionRecord, SheetFormRecord, VersionRecord

__all__ = [
    "Account",
    "AddedFinding",
    "Base",
    "CorrectionRecord",
    "Deed",
    "Enrolment",
    "ExerciseRecord",
    "FailedLogIn",
    "FindingRecord",
    "GivenMark",
    "JobRecord",
    "KnownBrowser",
    "LabelRecord",
    "LogIn",
    "ModelAnswerRecord",
    "MoreTime",
    "OriginalRecord",
    "PartRecord",
    "PinRecord",
    "ProjectionRecord",
    "SchemeChange",
    "SchemeTemplate",
    "SchoolClass",
    "SharedClass",
    "SharedKey",
    "SheetFormRecord",
    "SheetRecord",
    "SheetSetRecord",
    "StudentPartRecord",
    "VersionRecord",
]
