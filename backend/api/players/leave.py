"""Leave to keep pictures and sounds of a player, and what is kept."""

from datetime import date

from django.http import HttpRequest
from ninja import Field, Router, Schema

from api.days import today
from studio.lessons.access import player_of
from studio.models import Player
from studio.players.kept_time import kept_of
from studio.players.leave import give_leave, withdraw

router = Router(tags=["players"])


class LeaveIn(Schema):
    """Who has given leave to keep pictures or sounds, by name."""

    kind: str = Field(max_length=7)
    by: str = Field(max_length=6)
    name: str = Field(max_length=200)


class LeaveOut(Schema):
    """`kind`: picture or sound. `by`: player or parent."""

    kind: str
    by: str
    name: str
    on: date


class KeptOut(Schema):
    """`size`: bytes. `until`: the last day; None where nothing is kept."""

    pictures: int
    sounds: int
    size: int
    until: date | None
    leaves: list[LeaveOut]


@router.get("/{int:player_id}/kept", response=KeptOut)
def read_kept(request: HttpRequest, player_id: int) -> KeptOut:
    """What is kept of a player, for how long, and by whose leave."""
    return kept_out(player_of(request.user, player_id))


@router.post("/{int:player_id}/leave", response=KeptOut)
def give(request: HttpRequest, player_id: int, data: LeaveIn) -> KeptOut:
    """Note whose leave there is; it takes the place of an earlier one."""
    player = player_of(request.user, player_id)
    give_leave(player, kind=data.kind, by=data.by, name=data.name, on=today(request))
    return kept_out(player)


@router.delete("/{int:player_id}/leave/{kind}", response=KeptOut)
def take_back(request: HttpRequest, player_id: int, kind: str) -> KeptOut:
    """Withdraw it: all that was kept with it is erased at once."""
    player = player_of(request.user, player_id)
    withdraw(player, kind)
    return kept_out(player)


def kept_out(player: Player) -> KeptOut:
    """The same as it leaves the API."""
    kept = kept_of(player)
    leaves = [
        LeaveOut(kind=each.kind, by=each.by, name=each.name, on=each.on)
        for each in player.leaves.all()
    ]
    return KeptOut(
        pictures=kept.pictures if kept else 0,
        sounds=kept.sounds if kept else 0,
        size=kept.size if kept else 0,
        until=kept.until if kept else None,
        leaves=leaves,
    )
