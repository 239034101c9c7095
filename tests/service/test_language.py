"""Every answer is said in the language that is asked for; the choice of a person goes with them."""

import json

import pytest
from fastapi.testclient import TestClient

from maqueta.service.language import language_asked
from tests.world import LogIn, Person


@pytest.mark.parametrize(
    ("accepted", "language"),
    [
        ("", "en"),
        ("es", "es"),
        ("es-AR, es;q=0.8, en;q=0.5", "es"),
        ("de, fr;q=0.9", "en"),
        ("fr, en;q=0.2, es;q=0.4", "es"),
        ("es;q=0, en;q=0.1", "en"),
        ("es;q=nonsense, *", "en"),
    ],
)
def test_the_language_preferred_among_ours_is_spoken(accepted: str, language: str) -> None:
    assert language_asked(accepted) == language


def test_findings_are_said_in_the_language_asked_for(instructor: Person) -> None:
    exercise = instructor.get("/api/exercises")[0]["id"]

    def messages(language: str) -> dict[tuple[int, int], str]:
        headers = {"x-maqueta-token": instructor.token, "accept-language": language}
        wall = instructor.client.get(f"/api/exercises/{exercise}/wall", headers=headers).json()
        return {(sheet["id"], f["number"]): f["message"] for sheet in wall["sheets"] for f in sheet["findings"]}

    english, spanish = messages("en"), messages("es")
    assert english.keys() == spanish.keys()
    assert len(english) > 10
    assert all(english[key] != spanish[key] for key in english)
    assert any("la vista superior" in text for text in spanish.values())


def test_the_same_mistake_is_shared_whatever_the_language(instructor: Person) -> None:
    exercise = instructor.get("/api/exercises")[0]["id"]
    shares = []
    for language in ("en", "es"):
        headers = {"accept-language": language}
        wall = instructor.client.get(f"/api/exercises/{exercise}/wall", headers=headers).json()
        shares.append([f["share"] for sheet in wall["sheets"] for f in sheet["findings"]])
    assert shares[0] == shares[1]


def test_refusals_are_said_in_the_language_asked_for(running: TestClient) -> None:
    for language, words in (("en", "You are not logged in"), ("es-CL", "No ha iniciado sesión")):
        answer = running.get("/api/exercises", headers={"accept-language": language, "cookie": ""})
        assert (answer.status_code, answer.json()["message"].startswith(words)) == (401, True)


def test_a_chosen_language_goes_with_the_person(log_in: LogIn) -> None:
    somebody = log_in("kemi.oduya")
    assert somebody.get("/api/me")["language"] is None
    assert somebody.send("PUT", "/api/me/language", json={"language": "es"}).json()["language"] == "es"
    assert log_in("kemi.oduya").get("/api/me")["language"] == "es"
    assert somebody.status("PUT", "/api/me/language", json={"language": "eo"}) == 422
    assert somebody.send("PUT", "/api/me/language", json={"language": None}).json()["language"] is None


def test_why_a_part_cannot_be_built_is_said_in_the_language_asked_for(instructor: Person) -> None:
    block = {"kind": "block", "name": "base", "at": [0, 0, 0], "size": [60, 40, 20]}
    hole = {"kind": "hole", "name": "bore", "at": [200, 20, 20], "into": "-z", "diameter": 8, "depth": "through"}
    recipe = {"name": "Stop", "units": "mm", "features": [block, hole]}

    def fault(language: str) -> str:
        headers = {"x-maqueta-token": instructor.token, "accept-language": language}
        answer = instructor.client.post("/api/parts/preview", headers=headers, json={"recipe": recipe})
        return str(answer.json()["fault"])

    assert fault("en") == "it cuts nothing: it lies outside the part"
    assert fault("es") == "no corta nada: queda fuera de la pieza"


def test_what_a_job_does_is_said_in_the_language_its_owner_has_chosen(log_in: LogIn) -> None:
    """Browsers follow events without saying which language they want."""
    owner = log_in("ines.corvalho")
    owner.send("PUT", "/api/me/language", json={"language": "es"})
    made = owner.send("POST", "/api/parts", files={"file": ("nothing.step", b"ISO-10303-21;", "application/step")})
    with owner.client.stream("GET", f"/api/jobs/{made.json()['job']}/events") as stream:
        events = [json.loads(line.removeprefix("data: ")) for line in stream.iter_lines() if line.startswith("data: ")]
    owner.send("PUT", "/api/me/language", json={"language": None})
    assert events[-1]["state"] == "failed"
    assert events[-1]["message"] == "el archivo STEP no se puede leer: su contenido está dañado"
