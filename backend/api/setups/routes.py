"""How the instrument is fitted to a player: records, what became of a change."""

from datetime import date
from typing import Annotated, Literal

from django.http import HttpRequest, HttpResponse
from ninja import Query, Router

from api.answers import PDF, as_file
from api.days import today
from api.setups.schemas import CentsOut, ReachOut, SetupIn, SetupOut
from lefthand.fit.reach import Reach
from studio.errors import StudioError
from studio.lessons.access import player_of
from studio.lessons.reach import measured_span, reach_of
from studio.lessons.setups import (
    FIT,
    Compared,
    remove_setup,
    save_setup,
    setups_of,
)
from studio.models import Player
from studio.paper.setting import Paper
from studio.sheet.ruler import ruler_pdf

router = Router(tags=["setups"])
MOST_MM = 4


@router.get("/{int:player_id}/setups", response=list[SetupOut])
def read_setups(request: HttpRequest, player_id: int) -> list[SetupOut]:
    """How the instrument was fitted, the newest first."""
    return _out(player_of(request.user, player_id))


@router.post("/{int:player_id}/setups", response=list[SetupOut])
def keep_setup(request: HttpRequest, player_id: int, data: SetupIn) -> list[SetupOut]:
    """Keep one record of the fit, of today where no day is told."""
    player = player_of(request.user, player_id)
    save_setup(player, data.dict(), today(request))
    return _out(player)


@router.delete("/{int:player_id}/setups/{int:setup_id}", response=list[SetupOut])
def remove(request: HttpRequest, player_id: int, setup_id: int) -> list[SetupOut]:
    """What is gone already stays gone."""
    player = player_of(request.user, player_id)
    remove_setup(player, setup_id)
    return _out(player)


@router.get("/{int:player_id}/reach", response=ReachOut)
def read_reach(
    request: HttpRequest,
    player_id: int,
    span: float | None = None,
    string_length: float | None = None,
) -> ReachOut:
    """How far the hand's easy span is from what the string asks for; without a span it is the one
    that was last measured."""
    player = player_of(request.user, player_id)
    known = measured_span(player) if span is None else None
    reach = reach_of(player, known.span if known else span, string_length)
    if reach is None:
        return ReachOut()
    margin = reach.margin
    return ReachOut(
        string_length=reach.string_length,
        needed=round(reach.needed, 1),
        short_by=None if margin is None else round(-margin.mm, 1),
        percent=None if margin is None else round(margin.percent, 1),
        span=reach.span,
        measured_on=known.on if known else None,
        smaller_size=reach.size_that_fits(_age(player, today(request))),
        cents_per_mm={str(f): round(cents, 1) for f, cents in reach.cents_per_mm.items()},
        first_place=reach.first_place,
        turn=None if margin is None or margin.fits else _turn_of(reach),
    )


@router.get("/{int:player_id}/cents", response=CentsOut)
def read_cents(
    request: HttpRequest,
    player_id: int,
    finger: Annotated[int, Query(ge=1, le=4)],
    mm: Annotated[list[float], Query(min_length=1, max_length=MOST_MM)],
) -> CentsOut:
    """How far off a finger of the usual frame sounds that stands so many mm beyond its place, less
    than 0 for short of it."""
    reach = reach_of(player_of(request.user, player_id), None, None)
    if reach is None or finger not in reach.semitones:
        return CentsOut(cents=[])
    try:
        return CentsOut(cents=[round(reach.cents_off(finger, each), 1) for each in mm])
    except ValueError as error:
        raise StudioError("bad_input", "mm", str(error)) from error


def _age(player: Player, on: date) -> int | None:
    return None if player.birth_year is None else on.year - player.birth_year


@router.get(
    "/{int:player_id}/ruler.pdf",
    openapi_extra={"responses": {200: {"content": {"application/pdf": {}}}}},
)
def read_ruler(
    request: HttpRequest,
    player_id: int,
    span: float | None = None,
    string_length: float | None = None,
    paper: Paper = Paper.A4,
) -> HttpResponse:
    """The frame's stops on the board at true size, and the hand's easy span where it is given."""
    reach = reach_of(player_of(request.user, player_id), span, string_length)
    if reach is None:
        raise StudioError("bad_input", "string_length", "expected it in mm, or a size of the fit")
    return as_file(ruler_pdf(reach, paper), PDF, "ruler.pdf", shown=True)


def _turn_of(reach: Reach) -> Literal["enough", "perhaps", "not enough"]:
    least, most = (margin.fits for margin in reach.turned or ())
    if least:
        return "enough"
    return "perhaps" if most else "not enough"


def _out(player: Player) -> list[SetupOut]:
    return [_one(each) for each in setups_of(player)]


def _one(each: Compared) -> SetupOut:
    setup = each.setup
    return SetupOut(
        id=setup.pk,
        date=setup.date,
        judged=setup.judged,
        before=dict(each.before),
        since=dict(each.since),
        tapes_beside=list(each.tapes),
        **{name: getattr(setup, name) for name in FIT},
    )
