"""How the instrument is fitted to a player: records, what became of a change."""

from django.http import HttpRequest
from ninja import Router

from api.days import today
from api.setups.schemas import JudgedIn, SetupIn, SetupOut
from studio.models import Player
from studio.services.lessons import player_of
from studio.services.setups import (
    FIT,
    Compared,
    judge_setup,
    remove_setup,
    save_setup,
    setups_of,
)

router = Router(tags=["setups"])


@router.get("/{int:player_id}/setups", response=list[SetupOut])
def read_setups(request: HttpRequest, player_id: int) -> list[SetupOut]:
    return _out(player_of(request.user, player_id))


@router.post("/{int:player_id}/setups", response=list[SetupOut])
def keep_setup(request: HttpRequest, player_id: int, data: SetupIn) -> list[SetupOut]:
    player = player_of(request.user, player_id)
    save_setup(player, data.dict(), today(request))
    return _out(player)


@router.post("/{int:player_id}/setups/{int:setup_id}/judged", response=list[SetupOut])
def judge(request: HttpRequest, player_id: int, setup_id: int, data: JudgedIn) -> list[SetupOut]:
    """What became of a change, as a later lesson found it."""
    player = player_of(request.user, player_id)
    judge_setup(player, setup_id, data.judged)
    return _out(player)


@router.delete("/{int:player_id}/setups/{int:setup_id}", response=list[SetupOut])
def remove(request: HttpRequest, player_id: int, setup_id: int) -> list[SetupOut]:
    player = player_of(request.user, player_id)
    remove_setup(player, setup_id)
    return _out(player)


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
        **{name: getattr(setup, name) for name in FIT},
    )
