"""All pictures and sounds that are kept in a teacher's studio, and for how long."""

from datetime import date

from django.conf import settings
from django.http import HttpRequest
from ninja import Router, Schema

from studio.desk.desk import settings_of
from studio.keeping.copies import copies_beside
from studio.lessons.access import Teacher
from studio.players.kept_time import kept_of_all, set_kept_months

router = Router(tags=["desk"])


class KeptRowOut(Schema):
    """`size`: bytes. `leaves`: kinds for which there is leave."""

    player: int
    name: str
    pictures: int
    sounds: int
    size: int
    until: date
    leaves: list[str]


class AllKeptOut(Schema):
    """`months`: after the last lesson. `copies`: days of copies of the whole studio that lie
    beside it, with all that was erased since."""

    months: int
    rows: list[KeptRowOut]
    copies: list[date]


class MonthsIn(Schema):
    """How long pictures and sounds are kept after the last lesson, months."""

    months: int


@router.get("/kept", response=AllKeptOut)
def read_all_kept(request: HttpRequest) -> AllKeptOut:
    """All pictures and sounds of the studio, and until when."""
    return _out(request.user)


@router.post("/kept", response=AllKeptOut)
def choose_months(request: HttpRequest, data: MonthsIn) -> AllKeptOut:
    """How long they are kept."""
    set_kept_months(settings_of(request.user), data.months)
    return _out(request.user)


def _out(teacher: Teacher) -> AllKeptOut:
    return AllKeptOut(
        months=settings_of(teacher).kept_months,
        rows=[
            KeptRowOut(
                player=each.player.pk,
                name=each.player.name,
                pictures=each.pictures,
                sounds=each.sounds,
                size=each.size,
                until=each.until,
                leaves=[leave.kind for leave in each.player.leaves.all()],
            )
            for each in kept_of_all(teacher)
        ],
        copies=[copy.made.date() for copy in copies_beside(settings.DATABASE_FILE)],
    )
