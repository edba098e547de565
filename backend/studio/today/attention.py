"""Who of the players wants a thought today: at most five, a line each with its reason."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date

from lefthand.change.helped import Share, shares
from lefthand.change.next_step import Step
from lefthand.values.said import said
from lefthand.values.vocabulary import DAYS_A_WEEK
from lefthand.words.words import words_of
from studio.lessons.access import Teacher, players_of
from studio.models import Player
from studio.progress.term import TermLine, lines_of
from studio.today.day_list import DayRow

MOST_LINES = 5
AWAY_DAYS = 21
TOLD_ANEW = 4
SHARES_TOLD_ANEW = 20


@dataclass(frozen=True)
class Line:
    player: Player
    words: str


def lines_today(rows: Sequence[DayRow], on: date) -> list[Line]:
    """Those who are stuck or hardly practise, have not come for three weeks, or are ready for a
    harder piece, in this order. Who is stopped or in pain stands above all lists anyhow."""
    calm = [row for row in rows if not row.is_urgent]
    told = lines_of([row.player for row in calm], on, most_told=TOLD_ANEW)
    found: list[tuple[int, Line]] = []
    for row in calm:
        line = told.get(row.player.pk)
        ranked = _ranked(row, line, on)
        if ranked is not None:
            found.append((ranked[0], Line(row.player, ranked[1])))
    found.sort(key=lambda each: each[0])
    return [line for _, line in found[:MOST_LINES]]


def _ranked(row: DayRow, line: TermLine | None, on: date) -> tuple[int, str] | None:
    last = row.last_on
    if last is not None and row.today is None and (on - last).days >= AWAY_DAYS:
        return 2, words_of(said("term-away", weeks=(on - last).days // DAYS_A_WEEK))
    if line is None:
        return None
    if line.step is Step.LOOK_AGAIN:
        return 0, line.why
    if line.step is Step.PRACTISE:
        return 1, line.why
    return (3, words_of(said("term-ready"))) if line.ready else None


@dataclass(frozen=True)
class StudioShares:
    """uncounted: players whose lessons have not been told yet."""

    shares: list[Share]
    uncounted: int


def shares_of(teacher: Teacher, on: date) -> StudioShares:
    """What went before a change, over the teacher's own players, each once."""
    players = list(players_of(teacher).select_related("teacher__studio_settings"))
    told = lines_of(players, on, most_told=SHARES_TOLD_ANEW)
    found = shares([line.helped for line in told.values()])
    return StudioShares(found, len(players) - len(told))
