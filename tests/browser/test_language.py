"""The interface in another language: chosen once, kept with the person, all the way down to what is said of a sheet."""

import re

from playwright.sync_api import Page, expect

from tests.browser.conftest import Open
from tests.server_process import enter


def speak(page: Page, language: str) -> None:
    page.get_by_role("button", name=re.compile("^(Account of|Cuenta de)")).click()
    page.get_by_role("menuitem", name=language).click()


def test_a_language_is_chosen_kept_and_left_again(open_page: Open) -> None:
    page = open_page("ines.corvalho")
    expect(page.locator("html")).to_have_attribute("lang", "en")
    speak(page, "Español")
    expect(page.get_by_role("heading", name="Ejercicios")).to_be_visible()
    expect(page.locator("html")).to_have_attribute("lang", "es")
    page.get_by_role("link", name=re.compile("Reed clamp")).click()
    expect(page.get_by_role("navigation", name="Lente")).to_contain_text("Cajetín")
    shared = page.get_by_role("complementary", name="Errores compartidos")
    expect(shared).to_contain_text("Faltan líneas ocultas")
    page.reload()
    expect(page.get_by_role("link", name="A la mesa")).to_be_visible()

    # What a person chose waits for them in another browser, which speaks English itself.
    other = open_page()
    expect(other.get_by_role("button", name="Log in")).to_be_visible()
    enter(other, "ines.corvalho", "not-this-one")
    expect(other.get_by_role("alert")).to_have_text("That name and password do not go together.")
    enter(other, "ines.corvalho")
    expect(other.get_by_role("heading", name="Ejercicios")).to_be_visible()

    speak(page, "English")
    expect(page.get_by_role("navigation", name="Lens")).to_contain_text("Title")
    expect(page.get_by_role("complementary", name="Shared mistakes")).to_contain_text("Hidden lines are missing")


def test_what_is_being_drawn_stays_when_the_language_changes(open_page: Open) -> None:
    page = open_page("iker.valtierra")
    page.get_by_role("link", name=re.compile("Breast-beam spacer")).click()
    page.get_by_role("button", name=re.compile("^6 ?Title")).click()
    page.get_by_label("Drafter").fill("I. V.")
    page.get_by_label("Drafter").blur()
    speak(page, "Español")
    expect(page.get_by_label("Dibujante")).to_have_value("I. V.")
    expect(page.get_by_role("button", name="Deshacer")).to_be_enabled()
    speak(page, "English")
    expect(page.get_by_label("Drafter")).to_have_value("I. V.")
