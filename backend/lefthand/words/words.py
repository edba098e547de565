"""Putting words to a value, from the message files of a language (Project Fluent's syntax).

In a message `{ $name }` is a value: a number, the name of something of the catalogue as it stands
inside a sentence, another sentence, or several of these as a list. A value that is one of a few
(a place, a likelihood) is worded by the message `kind-member`, and stands as `$name-id` to choose
by. `COUNT` writes a small number as a word, `START` begins a sentence with what is named inside
one, `MONTH` names the month of a day, with `year: "yes"` its year too, `DAY` the day, written out,
and `SHORT` without its year.
"""

from collections.abc import Iterable, Mapping
from datetime import date
from enum import Enum
from functools import lru_cache
from pathlib import Path
from typing import Any

from babel.dates import format_date
from babel.lists import format_list
from fluent.runtime import FluentBundle, FluentResource

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.values.said import Named, NameOf, Said, Value, said
from lefthand.values.wording import lower_first, upper_first

FOLDER = Path(__file__).parent
LANGUAGE = "en"
# Lists without a comma before the last "and".
LOCALES = {"en": "en_GB"}
KEPT = 4096


class MessageError(Exception):
    """A message that is not there or lacks a value; says which."""


@lru_cache(maxsize=KEPT)
def words_of(what: Said, language: str = LANGUAGE) -> str:
    """The sentence, or the part of one. Raises MessageError for an id that no file has and for a
    value that its message lacks."""
    return _format(what.id, _values(what, language), language)


def told(message: str, /, **values: Value) -> str:
    """A sentence at once, where nobody needs it as a value. Errors as of `words_of`."""
    words: str = words_of(said(message, **values))
    return words


def value_words(value: Value, language: str = LANGUAGE) -> Any:
    """One value as it stands inside a sentence; numbers as they are."""
    if isinstance(value, Said):
        return words_of(value, language)
    if isinstance(value, Named):
        return _name(value, language)
    if isinstance(value, Enum):
        return _format(f"{type(value).__name__.lower()}-{_member(value)}", {}, language)
    if isinstance(value, tuple):
        each = [str(value_words(one, language)) for one in value]
        return format_list(each, locale=LOCALES[language])
    return value


def day_words(day: date, language: str = LANGUAGE) -> str:
    """A day, written out: 4 March 2026."""
    return format_date(day, "d MMMM y", locale=LOCALES[language])


def short_day(day: date, language: str = LANGUAGE) -> str:
    """A day of this year: 4 March."""
    return format_date(day, "d MMMM", locale=LOCALES[language])


def weekday_words(day: date, language: str = LANGUAGE) -> str:
    """Its day of the week, short: Mon."""
    return format_date(day, "EEE", locale=LOCALES[language])


def beside(items: Iterable[str], language: str = LANGUAGE) -> str:
    """One, two, three: what stands beside each other, without a word between the last two."""
    return format_list(list(items), style="unit", locale=LOCALES[language])


def _format(message: str, values: Mapping[str, Any], language: str) -> str:
    bundle = _bundle(language)
    if not bundle.has_message(message):
        raise MessageError(f"no message {message!r}")
    pattern = bundle.get_message(message).value
    if pattern is None:
        raise MessageError(f"message {message!r} is empty")
    text, problems = bundle.format_pattern(pattern, dict(values))
    if problems:
        raise MessageError(f"{message}: {problems[0]}")
    return str(text)


def _values(what: Said, language: str) -> dict[str, Any]:
    found: dict[str, Any] = {}
    for name, value in what.values:
        found[name] = value_words(value, language)
        if isinstance(value, Enum):
            found[f"{name}-id"] = _member(value)
    return found


def _member(value: Enum) -> str:
    return value.name.lower().replace("_", "-")


def _name(named: Named, language: str) -> str:
    catalogue = load_catalogue()
    if named.kind is NameOf.THING:
        return _format(f"thing-{named.id.replace('_', '-')}", {}, language)
    if named.kind is NameOf.EXERCISE:
        return catalogue.exercises[named.id].name
    if named.kind is NameOf.DOES:
        return catalogue.exercises[named.id].does
    if named.kind is NameOf.CAUSE:
        return lower_first(catalogue.causes[named.id].name)
    if named.kind is NameOf.BECAUSE:
        return catalogue.causes[named.id].because
    if named.kind is NameOf.TAKES:
        return catalogue.causes[named.id].takes
    return lower_first(catalogue.evidence[named.id].label)


@lru_cache(maxsize=8)
def _bundle(language: str) -> FluentBundle:
    def count(value: Any) -> Any:
        number = int(value)
        message = f"count-{number}"
        return _format(message, {}, language) if bundle.has_message(message) else str(number)

    def start(text: Any) -> Any:
        return upper_first(str(text))

    def month(day: date, year: str = "no") -> Any:
        pattern = "LLLL y" if year == "yes" else "LLLL"
        return format_date(day, pattern, locale=LOCALES[language])

    def day(what: date) -> Any:
        return day_words(what, language)

    def short(what: date) -> Any:
        return short_day(what, language)

    bundle = FluentBundle(
        [LOCALES[language]],
        use_isolating=False,
        functions={"COUNT": count, "START": start, "MONTH": month, "DAY": day, "SHORT": short},
    )
    for file in sorted((FOLDER / language).glob("*.ftl")):
        bundle.add_resource(FluentResource(file.read_text(encoding="utf-8")))
    return bundle
