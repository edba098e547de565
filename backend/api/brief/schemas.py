"""What several pages show of a player, a stop, a pain, a reminder."""

from datetime import date

from ninja import Schema


class FlagOut(Schema):
    """`reasons`: in words, `reason_ids`: the same by what they are. `mistaken`: taken back on the
    phone within a minute of tapping it."""

    raised_on: date
    reasons: list[str]
    reason_ids: list[str]
    lifted_on: date | None
    note: str
    from_home: bool
    mistaken: bool


class PainOut(Schema):
    """Pain that was logged at home on a day: 1 to 10, or 0 where nobody said how much.
    `later`: when it was still there, as told the next day; None while nobody was asked."""

    date: date
    pain: int
    later: list[str] | None


class PlayerBrief(Schema):
    """What names a player everywhere. `age`: years, null where it is not known."""

    id: int
    name: str
    instrument: str
    level: str
    age: int | None
    piece: str


class ReminderOut(Schema):
    """A cause that was gone `since`: due for another look, or back on `returned`."""

    cause: str
    name: str
    since: date
    clean: int
    returned: date | None
    helped: list[str]
