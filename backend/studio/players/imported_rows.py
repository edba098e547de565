"""A player file as it is read: what is kept so far, what was left out, and values of their kind."""

from collections.abc import Callable, Iterator, Mapping
from dataclasses import dataclass, field
from datetime import date
from typing import Any

from lefthand.values.errors import InputError
from lefthand.values.fields import read_number, read_words, short
from lefthand.values.vocabulary import FINGERS, Instrument
from studio.errors import StudioError
from studio.models import (
    CauseWord,
    Focus,
    HomeDay,
    Lesson,
    Observation,
    Piece,
    Plan,
    PlanItem,
    Player,
    PracticeResult,
    RedFlag,
)

MAX_TEXT = 300


class GivenUpError(Exception):
    """The file is read no further, for this refusal."""

    def __init__(self, refusal: StudioError) -> None:
        super().__init__(refusal.message)
        self.refusal = refusal


@dataclass
class LessonRows:
    """A lesson of a file as rows that are not written yet, by what may stand once only."""

    lesson: Lesson
    observations: dict[str, Observation] = field(default_factory=dict)
    words: dict[str, CauseWord] = field(default_factory=dict)
    focuses: dict[str, Focus] = field(default_factory=dict)
    plan: Plan | None = None
    items: dict[str, PlanItem] = field(default_factory=dict)
    days: dict[date, HomeDay] = field(default_factory=dict)


@dataclass
class Reading:
    """What is read so far, and what was left out. `goes_on`: asked at each row; raises when it has
    taken too long or nobody waits for it."""

    player: Player
    goes_on: Callable[[], None]
    left_out: list[str] = field(default_factory=list)
    lessons: dict[date, LessonRows] = field(default_factory=dict)
    # Results and stops, written after the lessons.
    made: list[PracticeResult | RedFlag] = field(default_factory=list)
    # Results are read last: they may have been shown in a lesson that comes later in the file.
    results: list[tuple[Mapping[str, Any], PlanItem]] = field(default_factory=list)
    # Of one step in one lesson there is one. By the item that is still to be written.
    shown: set[tuple[int, date]] = field(default_factory=set)
    # So are the places in pieces. pieces: by their number in the file.
    placed: list[tuple[Mapping[str, Any], PlanItem]] = field(default_factory=list)
    pieces: dict[Any, Piece] = field(default_factory=dict)

    @property
    def instrument(self) -> Instrument:
        return Instrument(self.player.instrument)

    def keep(self, where: str, make: Callable[..., object], *arguments: object) -> None:
        """Make a record, or tell why it was left out."""
        self.goes_on()
        try:
            make(*arguments)
        except InputError as error:
            self.left_out.append(f"{where}: {error}")
        except StudioError as error:
            self.left_out.append(f"{where}: {error.field}: {error.problem}")
        except (TypeError, KeyError, AttributeError):
            self.left_out.append(f"{where}: has another shape than a player file has")


def rows_of(where: str, rows: Any, reading: Reading) -> Iterator[Mapping[str, Any]]:
    """The mappings of a list; anything else is left out and told."""
    if not isinstance(rows, list):
        if rows is not None:
            reading.left_out.append(f"{where}: expected a list")
        return
    for number, row in enumerate(rows, start=1):
        if isinstance(row, Mapping):
            yield row
        else:
            reading.left_out.append(f"{where} {number}: expected an object, got {short(row)}")


def read_date(name: str, value: Any) -> date:
    try:
        return date.fromisoformat(value)
    except (TypeError, ValueError) as error:
        raise InputError(name, f"expected a date such as 2026-03-04, got {short(value)}") from error


def read_text(name: str, value: Any, most: int = MAX_TEXT) -> str:
    text = read_words(name, [value or ""])[0]
    if len(text) > most:
        raise InputError(name, f"expected at most {most} characters, got {len(text)}")
    return text


def read_whole(name: str, value: Any, low: int, high: int) -> int:
    return int(read_number(name, value, low, high, whole=True))


def read_fingers(values: Any) -> list[int]:
    return sorted({read_whole("fingers", value, FINGERS[0], FINGERS[-1]) for value in values})
