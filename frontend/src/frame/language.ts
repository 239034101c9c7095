import i18next from "i18next";

import type { Me } from "../api/types";
import en from "../words/en.json";
import es from "../words/es.json";

export type Language = NonNullable<Me["language"]>;

/** The languages the interface speaks, each by its own name. */
export const LANGUAGES: Record<Language, string> = { en: "English", es: "Español" };

/** Whose numbers and dates a language keeps to. */
const LOCALES: Record<Language, string> = { en: "en-GB", es: "es" };

/** Where a browser remembers which language was read last. */
const KEPT = "maqueta-language";

const words = i18next.createInstance();
// Sentences are their own keys in English, so that code can be read; en.json holds what changes with a number.
void words.init({
  lng: "en",
  fallbackLng: "en",
  resources: { en: { translation: en }, es: { translation: es } },
  keySeparator: false,
  nsSeparator: false,
  returnEmptyString: false,
  interpolation: { escapeValue: false },
});

/**
 * A sentence in the language that is read; `count` chooses its form. Where one word means two things, what is meant
 * stands before it: "criterion|Angle".
 */
export function t(sentence: string, values?: Record<string, string | number>): string {
  return words.t(sentence, { defaultValue: sentence.slice(sentence.indexOf("|") + 1), ...values });
}

/** Marks a sentence that is said later, by `t`, where the language is known. */
export function said<S extends string>(sentence: S): S {
  return sentence;
}

/** The language last read here; for the log-in, where nobody is known yet. */
function keptLanguage(): Language | null {
  try {
    const kept = localStorage.getItem(KEPT);
    return kept && kept in LANGUAGES ? (kept as Language) : null;
  } catch {
    return null;
  }
}

/** The first of the browser's languages that is one of ours, else English. */
export function browserLanguage(): Language {
  const known = navigator.languages.map((tag) => tag.split("-")[0] ?? "");
  return (known.find((tag) => tag in LANGUAGES) as Language | undefined) ?? "en";
}

export function language(): Language {
  return words.language as Language;
}

/** As `Intl` wants it. */
export function locale(): string {
  return LOCALES[language()];
}

/** Before anything is shown: the language last read in this browser, else the browser's own. */
export async function begin(): Promise<void> {
  document.documentElement.lang = language();
  await speak(keptLanguage() ?? browserLanguage());
}

/** Read in another language from now on; who listens is told. */
export async function speak(next: Language): Promise<void> {
  if (next === language()) return;
  await words.changeLanguage(next);
  document.documentElement.lang = next;
  try {
    localStorage.setItem(KEPT, next);
  } catch {
    // A browser that keeps nothing asks anew each time.
  }
}

/** Be told when the language changes. Returns how to stop listening. */
export function onSpeak(listener: () => void): () => void {
  words.on("languageChanged", listener);
  return () => words.off("languageChanged", listener);
}

/** A number as it is written, with at most so many decimals, or exactly so many. */
export function written(value: number, decimals = 3, exactly = false): string {
  return new Intl.NumberFormat(locale(), {
    maximumFractionDigits: decimals,
    minimumFractionDigits: exactly ? decimals : 0,
    useGrouping: false,
  }).format(value);
}
