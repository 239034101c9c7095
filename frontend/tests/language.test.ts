// @vitest-environment jsdom
import { afterEach, describe, expect, it, vi } from "vitest";

import {
  begin,
  browserLanguage,
  language,
  onSpeak,
  speak,
  t,
  written,
} from "../src/frame/language";
import { attitudeWords, dayAndTime, fieldLabel, term, terms, viewWords } from "../src/frame/words";

afterEach(() => speak("en"));

describe("sentences", () => {
  it("are said in English as they are written, with their values", () => {
    expect(t("Show the {{side}}", { side: "−Y side" })).toBe("Show the −Y side");
    expect(t("Undo")).toBe("Undo");
  });

  it("take the form that goes with a number", async () => {
    expect([1, 2].map((count) => t("{{count}} views", { count }))).toEqual(["1 view", "2 views"]);
    await speak("es");
    expect([1, 2].map((count) => t("{{count}} views", { count }))).toEqual(["1 vista", "2 vistas"]);
  });

  it("tell apart what one English word means twice", async () => {
    expect([t("criterion|Angle"), t("Angle")]).toEqual(["Angle", "Angle"]);
    await speak("es");
    expect([t("criterion|Angle"), t("Angle")]).toEqual(["Diedro", "Ángulo"]);
  });

  it("say names that people gave as they are, whatever signs are in them", async () => {
    await speak("es");
    expect(t("Account of {{name}}", { name: "<b>{{x}}</b>" })).toBe("Cuenta de <b>{{x}}</b>");
  });
});

describe("words of the trade", () => {
  it("follow the language, unknown ones stay", async () => {
    await speak("es");
    expect(viewWords("rear")).toBe("vista posterior");
    expect(term("inch")).toBe("pulgadas");
    expect(terms(["first", "third"]).map((c) => c.label)).toEqual(["primero", "tercero"]);
    expect(fieldLabel("drafter")).toBe("dibujante");
    expect(attitudeWords({ side: "-y", up: "+z" })).toBe("−y, +z arriba");
    expect(term("something new")).toBe("something new");
  });
});

describe("numbers and dates", () => {
  it("are written as the language writes them", async () => {
    const late = "2026-12-03T21:00:00+00:00";
    expect([written(1234.56, 1), written(70, 1, true)]).toEqual(["1234.6", "70.0"]);
    expect(dayAndTime(late)).toMatch(/Thu,? 3 Dec/);
    await speak("es");
    expect([written(1234.56, 1), written(70, 1, true)]).toEqual(["1234,6", "70,0"]);
    expect(dayAndTime(late)).toMatch(/jue,? 3 dic/);
  });
});

describe("the language that is read", () => {
  it("is the first of the browser's that is one of ours", () => {
    const asked = vi.spyOn(navigator, "languages", "get");
    asked.mockReturnValue(["fr-CA", "es-MX", "en"]);
    expect(browserLanguage()).toBe("es");
    asked.mockReturnValue(["de"]);
    expect(browserLanguage()).toBe("en");
    asked.mockRestore();
  });

  it("is remembered for the next log-in, and told to who listens", async () => {
    const heard = vi.fn();
    const still = onSpeak(heard);
    await speak("es");
    await speak("es");
    still();
    expect(heard).toHaveBeenCalledTimes(1);
    expect(document.documentElement.lang).toBe("es");
    await begin();
    expect(language()).toBe("es");
  });
});
