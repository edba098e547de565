"""What concerns the studio as a whole: its figures at a glance, its copies, its teachers."""

from datetime import date, datetime, timedelta

from django.conf import settings
from django.http import HttpRequest, HttpResponse
from ninja import Router

from api.answers import as_file
from api.days import today
from api.desk.schemas import (
    CauseMetOut,
    ColleagueIn,
    ColleagueOut,
    CopiesOut,
    CopyOut,
    GivenOut,
    GlanceOut,
    PeopleOut,
    RestoreIn,
)
from lefthand.catalogue.catalogue import load_catalogue
from studio.desk.glance import Glance, glance, glance_table
from studio.desk.people import (
    add_colleague,
    check_owner,
    colleagues,
    is_owner,
    remove_colleague,
    renew_password,
)
from studio.errors import StudioError
from studio.keeping.copies import copies_beside, go_back_to, is_copy_due, make_copy

USUAL_DAYS = 120
MOST_DAYS = 3660
router = Router(tags=["desk"])


@router.get("/glance", response=GlanceOut)
def read_glance(
    request: HttpRequest, since: date | None = None, until: date | None = None
) -> GlanceOut:
    """Counts over a stretch of time, by default the last four months."""
    return _glance_out(_glance(request, since, until))


@router.get(
    "/glance.csv",
    openapi_extra={"responses": {200: {"content": {"text/csv": {}}}}},
)
def read_glance_table(
    request: HttpRequest, since: date | None = None, until: date | None = None
) -> HttpResponse:
    """The same as CSV."""
    table = glance_table(_glance(request, since, until))
    return as_file(table.encode(), "text/csv; charset=utf-8", "studio.csv")


def _glance(request: HttpRequest, since: date | None, until: date | None) -> Glance:
    last = until or today(request)
    first = since or last - timedelta(days=min(USUAL_DAYS, (last - date.min).days))
    if not 0 <= (last - first).days <= MOST_DAYS:
        raise StudioError("bad_input", "since", "expected a day before the last, within ten years")
    return glance(request.user, first, last)


def _glance_out(found: Glance) -> GlanceOut:
    known = load_catalogue()
    return GlanceOut(
        since=found.since,
        until=found.until,
        players=found.players,
        lessons=found.lessons,
        causes=[
            CauseMetOut(cause=c.cause, name=known.causes[c.cause].name, players=c.players)
            for c in found.causes
        ],
        given=[
            GivenOut(
                exercise=g.exercise,
                name=known.exercises[g.exercise].name,
                weeks=g.weeks,
                done=g.done,
            )
            for g in found.given
        ],
        few_causes=found.few_causes,
        few_given=found.few_given,
        weeks=found.weeks,
        told=found.told,
        asked=round(found.asked, 1),
        played=round(found.played, 1),
    )


@router.get("/copies", response=CopiesOut)
def read_copies(request: HttpRequest) -> CopiesOut:
    """Copies hold every teacher's players, so only the studio's owner sees and makes them."""
    check_owner(request.user)
    return _copies_out()


@router.post("/copies", response=CopiesOut)
def copy_now(request: HttpRequest) -> CopiesOut:
    """One more copy, for the studio's first teacher."""
    check_owner(request.user)
    make_copy(settings.DATABASE_FILE, datetime.now())
    return _copies_out()


@router.post("/copies/restore", response=CopiesOut)
def restore_copy(request: HttpRequest, data: RestoreIn) -> CopiesOut:
    """Go back to a copy, for the studio's first teacher. What is there now becomes one more copy,
    and everybody has to sign in anew."""
    check_owner(request.user)
    go_back_to(data.name, settings.DATABASE_FILE, datetime.now())
    return _copies_out()


def _copies_out() -> CopiesOut:
    database = settings.DATABASE_FILE
    return CopiesOut(
        copies=[
            CopyOut(
                name=copy.path.name,
                made=copy.made,
                megabytes=round(copy.size / 1e6, 1),
                is_made_here=copy.is_made_here,
            )
            for copy in reversed(copies_beside(database))
        ],
        is_due=is_copy_due(database, datetime.now()),
        folder=str(database.parent),
    )


@router.get("/people", response=PeopleOut)
def read_people(request: HttpRequest) -> PeopleOut:
    """Who teaches here, for the studio's first teacher."""
    check_owner(request.user)
    return _people_out()


@router.post("/people", response=PeopleOut)
def add_person(request: HttpRequest, data: ColleagueIn) -> PeopleOut:
    """A new teacher, with a password that is told this once."""
    check_owner(request.user)
    return _people_out(add_colleague(data.name))


@router.post("/people/{int:teacher_id}/password", response=PeopleOut)
def new_password(request: HttpRequest, teacher_id: int) -> PeopleOut:
    """A new password, told this once; other devices are signed out."""
    _owner_or_nobody(request)
    if teacher_id == request.user.pk:
        raise StudioError("bad_input", "teacher", "change your own password under Your password")
    return _people_out(renew_password(teacher_id))


@router.delete("/people/{int:teacher_id}", response=PeopleOut)
def remove_person(request: HttpRequest, teacher_id: int) -> PeopleOut:
    """Remove a teacher who has no players."""
    _owner_or_nobody(request)
    remove_colleague(teacher_id)
    return _people_out()


def _owner_or_nobody(request: HttpRequest) -> None:
    """To everybody else a colleague is not there."""
    if not is_owner(request.user):
        raise StudioError("not_found", "teacher")


def _people_out(password: str = "") -> PeopleOut:
    return PeopleOut(
        people=[
            ColleagueOut(id=c.id, name=c.name, players=c.players, is_owner=c.is_owner)
            for c in colleagues()
        ],
        password=password,
    )
