"""Kinds of browsers in words, so that people know their own again in a list; nothing else is kept of them."""

from typing import Final

#: What a browser calls itself (RFC 9110, 10.1.5), told apart by the first mark it carries: several carry others' marks.
_BROWSERS: Final = (("Edg", "Edge"), ("Firefox", "Firefox"), ("Chrome", "Chrome"), ("Safari", "Safari"))
_SYSTEMS: Final = (
    ("iPhone", "iPhone"),
    ("iPad", "iPad"),
    ("Android", "Android"),
    ("Windows", "Windows"),
    ("Macintosh", "Mac"),
    ("Linux", "Linux"),
)


def browser_words(user_agent: str) -> str:
    """What kind of browser a request says it comes from, and on what."""
    browser = next((words for mark, words in _BROWSERS if mark in user_agent), "a browser")
    system = next((words for mark, words in _SYSTEMS if mark in user_agent), None)
    return f"{browser} on {system}" if system else browser
