"""Shapes of groups, sweeps and partner cards."""

from datetime import date
from typing import Annotated

from ninja import Field, Schema

from api.brief.schemas import FlagOut, PainOut, PlayerBrief
from api.types import RecordId


class GroupOut(Schema):
    """A group with the ids and names of its players."""

    id: int
    name: str
    players: list[int]
    names: list[str]


class GroupIn(Schema):
    """Name and players of a group; a player is in one group at most."""

    name: str = Field(max_length=200)
    players: list[RecordId] = Field(max_length=60)


class CheckChoiceOut(Schema):
    """Checks that can be seen in passing, and those that would tell most."""

    possible: list[str]
    proposed: list[str]


class ChecksIn(Schema):
    """One to three checks."""

    checks: list[str] = Field(max_length=10)


class SweepGradeIn(Schema):
    """`fingers`: those that it was seen on, of a check that has fingers; [] takes them back, null
    leaves what was told before."""

    client_key: str = Field(min_length=8, max_length=64)
    player: RecordId
    check: str = Field(max_length=40)
    grade: int | None = None
    fingers: list[Annotated[int, Field(ge=1, le=4)]] | None = Field(None, max_length=4)
    seen_on: date | None = None


class RestIn(Schema):
    """All who have no grade of this check yet: not there."""

    client_key: str = Field(min_length=8, max_length=64)
    check: str = Field(max_length=40)
    seen_on: date | None = None


class SweepRowOut(Schema):
    """`has`: the checks that this player's instrument has. `fingers`: by check, those that the
    grade was seen on."""

    player: PlayerBrief
    lesson: int | None
    has: list[str]
    now: dict[str, int]
    fingers: dict[str, list[int]]
    before: dict[str, int]
    flag: FlagOut | None
    pain: PainOut | None


class CloserOut(Schema):
    """Somebody to look at alone. `is_more`: more than the time before."""

    player: int
    check: str
    grade: int
    is_more: bool


class PairOut(Schema):
    """First names. `instrument` is that of the watched."""

    watcher: str
    watched: str
    instrument: str
    checks: list[str]


class RoundPairOut(Schema):
    """First names. `turn`: from 0. `checks`: those that the watched one's instrument has."""

    watcher: int
    watcher_name: str
    watched: int
    watched_name: str
    instrument: str
    turn: int
    checks: list[str]


class PartnerLookOut(Schema):
    """What a partner said to have seen of a check today, or not."""

    player: int
    check: str
    saw: bool


class RoundOut(Schema):
    """`next_up`: names of those the teacher looks at next."""

    id: int
    name: str
    checks: list[str]
    pairs: list[RoundPairOut]
    looks: list[PartnerLookOut]
    next_up: list[str]
    resting: list[str]


class PartnerLookIn(Schema):
    """`saw`: what the card asks for was seen, or not; null takes it back."""

    player: RecordId
    watcher: RecordId
    check: str = Field(max_length=40)
    saw: bool | None = None


class SweepOut(Schema):
    """`resting`: first names of those who are stopped; they neither play nor watch a hand."""

    id: int
    name: str
    checks: list[str]
    rows: list[SweepRowOut]
    closer: list[CloserOut]
    pairs: list[PairOut]
    resting: list[str]


class ClassSheetsOut(Schema):
    """Names, by whether there is a week to print."""

    printed: list[str]
    without: list[str]


class RosterIn(Schema):
    """`text`: a line a player with name, instrument and year of birth, with commas, semicolons or
    tabs between. `name`: of the group, only wanted when it is kept."""

    text: str = Field(max_length=20_000)
    name: str = Field("", max_length=200)


class RosterRowOut(Schema):
    """What one line would do. `is_known`: the player is here already and joins the group.
    `problems`: by column."""

    line: int
    name: str
    instrument: str
    birth_year: str
    level: str
    lesson: str
    is_known: bool
    problems: dict[str, str]
