"""What tests and pictures do with sets, beside the interface: model answers drawn by students."""

from typing import Any

from playwright.sync_api import Page

_KEEP = """async ([exercise, document]) => {
    const { token } = await (await fetch("/api/log-in")).json();
    const path = `/api/exercises/${exercise}/sheet`;
    const { revision } = await (await fetch(path)).json();
    const headers = { "content-type": "application/json", "x-maqueta-token": token };
    const body = JSON.stringify({ document, base: revision });
    return (await fetch(path, { method: "PUT", headers, body })).status;
}"""


def exercises_of_set(page: Page, title: str) -> list[dict[str, Any]]:
    """The exercises of a set that somebody sees, in their order."""
    listed: list[dict[str, Any]] = page.evaluate("async () => await (await fetch('/api/exercises')).json()")
    own = [exercise for exercise in listed if exercise["in_set"] and exercise["in_set"]["title"] == title]
    return sorted(own, key=lambda exercise: int(exercise["in_set"]["place"]))


def model_answer(teacher: Page, exercise: int) -> dict[str, Any]:
    """The model answer of an exercise, as its instructor has it."""
    answer: dict[str, Any] = teacher.evaluate(
        "async (id) => (await (await fetch(`/api/exercises/${id}/answer`)).json()).document", exercise
    )
    return answer


def draw(
    student: Page, exercise: dict[str, Any], answer: dict[str, Any], drafter: str, title: str | None = None
) -> None:
    """Keep a sheet as its student's draft, titled as it is asked for unless otherwise."""
    fields = answer["title"]["fields"] | {"drafter": drafter, "title": title or exercise["title"].upper()}
    drawn = answer | {"title": answer["title"] | {"fields": fields}}
    assert student.evaluate(_KEEP, [exercise["id"], drawn]) == 200
