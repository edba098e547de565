"""What is to be said, as a value: which sentence, and what it is about.

The core never puts words to what it finds; `lefthand.words` does, at the edge. What two values say
is the same where they are equal, and nothing compares or reads a sentence.
"""

from dataclasses import dataclass
from datetime import date
from enum import Enum, StrEnum
from typing import Any, TypeAlias


class NameOf(StrEnum):
    """What kind of thing of the catalogue is named."""

    CAUSE = "cause"
    EVIDENCE = "evidence"
    EXERCISE = "exercise"
    THING = "thing"
    # What an exercise does, why a cause asks for it, how long it takes.
    DOES = "does"
    BECAUSE = "because"
    TAKES = "takes"


@dataclass(frozen=True, slots=True)
class Named:
    """Something of the catalogue that a sentence names, by its id."""

    kind: NameOf
    id: str


Value: TypeAlias = "str | int | float | date | Enum | Named | Said | tuple[Value, ...]"


@dataclass(frozen=True, slots=True)
class Said:
    """`id`: of a message in `lefthand/words`. `values`: what stands in it, by name, sorted."""

    id: str
    values: tuple[tuple[str, Value], ...] = ()

    def __str__(self) -> str:
        told = ", ".join(f"{name}={value}" for name, value in self.values)
        return f"{self.id}({told})"


def said(message: str, /, **values: Value) -> Said:
    return Said(message, tuple(sorted(values.items())))


def cause(name: str) -> Named:
    return Named(NameOf.CAUSE, name)


def evidence(name: str) -> Named:
    return Named(NameOf.EVIDENCE, name)


def exercise(name: str) -> Named:
    return Named(NameOf.EXERCISE, name)


def thing(name: str) -> Named:
    """Something that a home has or lacks."""
    return Named(NameOf.THING, name)


def does(of_exercise: str) -> Named:
    """What an exercise does, as what follows "this"."""
    return Named(NameOf.DOES, of_exercise)


def because(of_cause: str) -> Named:
    """Why a cause asks for work, as what stands before "; this ..."."""
    return Named(NameOf.BECAUSE, of_cause)


def takes(of_cause: str) -> Named:
    """How long a cause usually takes, in words."""
    return Named(NameOf.TAKES, of_cause)


def said_json(what: Said) -> dict[str, Any]:
    """The id with its values, things of the catalogue by their ids."""
    return {"id": what.id, **{name: _plain(value) for name, value in what.values}}


def _plain(value: Value) -> Any:
    if isinstance(value, Said):
        return said_json(value)
    if isinstance(value, Named):
        return value.id
    if isinstance(value, Enum):
        return value.value
    if isinstance(value, date):
        return value.isoformat()
    if isinstance(value, tuple):
        return [_plain(each) for each in value]
    return value
