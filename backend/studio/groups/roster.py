"""A class brought in from a pasted list or a CSV file: a name, an instrument and a year a line."""

import csv
import re
from collections.abc import Iterator, Mapping
from dataclasses import dataclass, field, replace
from datetime import date
from io import StringIO

from django.db import transaction

from lefthand.values.vocabulary import Instrument, Level
from studio.errors import StudioError
from studio.groups.groups import save_group
from studio.lessons.access import Teacher, players_of
from studio.models import Group, Player
from studio.players.players import check_facts, save_player

MOST_ROWS = 60
DELIMITERS = "\t;,"
# Headings that people write, and the column they mean.
HEADINGS: Mapping[str, str] = {
    **dict.fromkeys(("name", "player", "pupil", "student", "first name"), "name"),
    **dict.fromkeys(("instrument",), "instrument"),
    **dict.fromkeys(("year", "birth year", "born", "birth_year", "year of birth"), "birth_year"),
    **dict.fromkeys(("level",), "level"),
    **dict.fromkeys(("lesson", "lesson time", "time", "when"), "lesson"),
}
USUAL_ORDER = ("name", "instrument", "birth_year", "level", "lesson")
WEEKDAYS = ("mon", "tue", "wed", "thu", "fri", "sat", "sun")
WHEN = re.compile(r"(?:(?P<day>[a-z]+)\.?,?\s*)?(?P<time>\d{1,2}[:.]\d{2})?")
INSTRUMENTS: Mapping[str, Instrument] = {
    **{instrument.value: instrument for instrument in Instrument},
    "violin": Instrument.VIOLIN,
    "viola": Instrument.VIOLA,
    "cello": Instrument.CELLO,
    "violoncello": Instrument.CELLO,
    "bass": Instrument.BASS,
    "double bass": Instrument.BASS,
    "contrabass": Instrument.BASS,
}


@dataclass(frozen=True)
class RosterRow:
    """One line. `known`: the player is here already and only joins the group. `problems`: what
    cannot be used, by column."""

    line: int
    name: str
    instrument: str
    birth_year: str
    level: str
    lesson: str = ""
    known: Player | None = None
    problems: Mapping[str, str] = field(default_factory=dict)


def read_roster(teacher: Teacher, text: str, on: date) -> list[RosterRow]:
    """What each line would do; nothing is kept. Raises StudioError when there is nothing to read
    or too much."""
    lines = list(_lines(text))
    if not lines:
        raise StudioError("bad_input", "text", "expected one player a line")
    if len(lines) > MOST_ROWS:
        raise StudioError("bad_input", "text", f"expected at most {MOST_ROWS} players")
    here = {_plain(player.name): player for player in players_of(teacher)}
    seen: set[str] = set()
    rows = []
    for number, cells in lines:
        row = _row(number, cells, here.get(_plain(cells.get("name", ""))), on)
        name = _plain(row.name)
        if name and name in seen:
            row = replace(row, problems={**row.problems, "name": "stands twice"})
        seen.add(name)
        rows.append(row)
    return rows


@transaction.atomic
def bring_in_class(teacher: Teacher, group_name: str, text: str, on: date) -> Group:
    """The players of the list as a group. Nothing is kept when one line cannot be used; raises
    StudioError naming line and column then."""
    rows = read_roster(teacher, text, on)
    for row in rows:
        for column, problem in row.problems.items():
            raise StudioError("bad_input", f"line {row.line}, {column}", problem)
    players = [row.known or save_player(teacher, None, _facts(row), on) for row in rows]
    return save_group(teacher, None, group_name, [player.pk for player in players])


def _lines(text: str) -> Iterator[tuple[int, dict[str, str]]]:
    """Line number and cells by column, without a heading and without empty lines."""
    delimiter = max(DELIMITERS, key=text.count)
    order: tuple[str, ...] = USUAL_ORDER
    is_first = True
    for number, raw in enumerate(csv.reader(StringIO(text), delimiter=delimiter), start=1):
        cells = [" ".join(cell.split()) for cell in raw]
        if not any(cells):
            continue
        headings = [HEADINGS.get(cell.lower(), "") for cell in cells]
        if is_first and "name" in headings:
            order = tuple(headings)
        else:
            yield number, {n: c for n, c in zip(order, cells, strict=False) if n}
        is_first = False


def _row(number: int, cells: Mapping[str, str], known: Player | None, on: date) -> RosterRow:
    row = RosterRow(
        number,
        cells.get("name", ""),
        INSTRUMENTS.get(cells.get("instrument", "").lower(), cells.get("instrument", "")),
        cells.get("birth_year", ""),
        (cells.get("level", "") or Level.BEGINNER.value).lower(),
        cells.get("lesson", ""),
        known,
    )
    return row if known else replace(row, problems=_problems(row, on))


def _problems(row: RosterRow, on: date) -> dict[str, str]:
    """By column; each is judged by what a new player's form takes."""
    found = {}
    if not row.name:
        found["name"] = "is missing"
    if row.instrument not in set(Instrument):
        found["instrument"] = (
            f"expected violin, viola, cello or double bass, got {row.instrument!r}"
        )
    if row.level not in set(Level):
        found["level"] = f"expected {', '.join(Level)}"
    if row.birth_year and not row.birth_year.isdigit():
        found["birth_year"] = f"expected a year such as {on.year - 10}, got {row.birth_year!r}"
    if row.lesson and _when(row.lesson) is None:
        found["lesson"] = f"expected a day and a time such as Mon 15:30, got {row.lesson!r}"
    if not found:
        try:
            check_facts(_facts(row), on)
        except StudioError as error:
            found[error.field] = error.problem
    return found


def _when(text: str) -> tuple[int | None, str | None] | None:
    """Weekday (0 is Monday) and time of "Mon 15:30", either of which may be missing; None for what
    is neither."""
    told = WHEN.fullmatch(text.strip().lower())
    if told is None or not (told["day"] or told["time"]):
        return None
    day = next((n for n, name in enumerate(WEEKDAYS) if (told["day"] or "")[:3] == name), None)
    if told["day"] and day is None:
        return None
    return day, told["time"].replace(".", ":").zfill(5) if told["time"] else None


def _facts(row: RosterRow) -> dict[str, object]:
    weekday, at = _when(row.lesson) or (None, None)
    return {
        "weekday": weekday,
        "lesson_time": at,
        "name": row.name,
        "instrument": row.instrument,
        "level": row.level,
        "birth_year": int(row.birth_year) if row.birth_year else None,
        "hours_a_day": 0.5,
    }


def _plain(name: str) -> str:
    return " ".join(name.lower().split())
