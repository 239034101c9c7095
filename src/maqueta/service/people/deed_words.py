"""What somebody did, in words: a change is kept by its route."""

from collections.abc import Mapping
from typing import Final

from maqueta.phrases.phrase import Phrase, phrase

#: What changes something, by method and path. Drafts and forms under way, kept every few seconds, are no deeds.
DEEDS: Final[Mapping[str, Phrase]] = {
    "POST /api/log-in": phrase("deed-log-in"),
    "POST /api/log-out": phrase("deed-log-out"),
    "PUT /api/me/language": phrase("deed-language"),
    "POST /api/me/password": phrase("deed-own-password"),
    "DELETE /api/me/log-ins/{log_in_id}": phrase("deed-own-log-in-ended"),
    "POST /api/people": phrase("deed-account-made"),
    "PATCH /api/people/{person}": phrase("deed-account-changed"),
    "POST /api/people/{person}/password": phrase("deed-password-given"),
    "POST /api/people/{person}/unlock": phrase("deed-unlocked"),
    "POST /api/people/{person}/anonymous": phrase("deed-made-anonymous"),
    "DELETE /api/people/{person}/log-ins": phrase("deed-log-ins-ended"),
    "GET /api/people/{person}/held": phrase("deed-asked-what-is-held"),
    "POST /api/classes": phrase("deed-class-made"),
    "PATCH /api/classes/{class_id}": phrase("deed-class-renamed"),
    "POST /api/classes/{class_id}/students": phrase("deed-students-taken-in"),
    "DELETE /api/classes/{class_id}/students/{student_id}": phrase("deed-student-taken-out"),
    "POST /api/parts": phrase("deed-part-brought-in"),
    "POST /api/parts/recipe": phrase("deed-part-built"),
    "PUT /api/parts/{part_id}/recipe": phrase("deed-part-rebuilt"),
    "PATCH /api/parts/{part_id}": phrase("deed-part-changed"),
    "POST /api/parts/{part_id}/copy": phrase("deed-part-copied"),
    "POST /api/parts/{part_id}/examination": phrase("deed-part-examined-again"),
    "DELETE /api/jobs/{job_id}": phrase("deed-job-stopped"),
    "POST /api/exercises": phrase("deed-exercise-set"),
    "PUT /api/exercises/{exercise_id}/answer": phrase("deed-answer-kept"),
    "POST /api/exercises/{exercise_id}/decisions": phrase("deed-decided-for-all"),
    "POST /api/exercises/{exercise_id}/deliveries": phrase("deed-delivery-taken"),
    "POST /api/exercises/{exercise_id}/return": phrase("deed-all-returned"),
    "POST /api/exercises/{exercise_id}/sheet/check": phrase("deed-had-checked"),
    "POST /api/exercises/{exercise_id}/sheet/hand-in": phrase("deed-handed-in"),
    "POST /api/sheet-forms": phrase("deed-form-made"),
    "DELETE /api/sheet-forms/{form_id}": phrase("deed-form-dropped"),
    "PUT /api/sheets/{sheet_id}/findings/{number}": phrase("deed-finding-decided"),
    "PUT /api/sheets/{sheet_id}/remark": phrase("deed-remark"),
    "POST /api/sheets/{sheet_id}/return": phrase("deed-returned"),
}
