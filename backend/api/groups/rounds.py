"""A round of a class: pairs, what they saw of each other, and who needs the teacher next."""

from django.http import HttpRequest
from ninja import Router

from api.days import today
from api.groups.present import first_name
from api.groups.schemas import PartnerLookIn, PartnerLookOut, RoundOut, RoundPairOut
from lefthand.practice.sweep import Pair
from studio.groups.groups import group_of
from studio.groups.round import Round, keep_look, round_of

router = Router(tags=["groups"])


@router.get("/{int:group_id}/round", response=RoundOut)
def read_round(request: HttpRequest, group_id: int) -> RoundOut:
    """Who watches whom, what they said today, and who needs the teacher."""
    return _out(round_of(group_of(request.user, group_id), today(request)))


@router.post("/{int:group_id}/round", response=RoundOut)
def told(request: HttpRequest, group_id: int, data: PartnerLookIn) -> RoundOut:
    """What one said of another; null takes it back."""
    group, on = group_of(request.user, group_id), today(request)
    keep_look(group, data.player, data.watcher, data.check, saw=data.saw, on=on)
    return _out(round_of(group, on))


def _out(found: Round) -> RoundOut:
    watched = {pair.watched for pair in found.pairs}
    return RoundOut(
        id=found.group.pk,
        name=found.group.name,
        checks=[check.id for check in found.checks],
        pairs=[_pair(pair, found) for pair in found.pairs],
        looks=[
            PartnerLookOut(player=look.player_id, check=look.check_id, saw=look.saw)
            for look in found.looks
        ],
        next_up=[first_name(player) for player in found.next_up],
        resting=[first_name(p) for pk, p in found.players.items() if pk not in watched],
    )


def _pair(pair: Pair, found: Round) -> RoundPairOut:
    watched = found.players[pair.watched]
    return RoundPairOut(
        watcher=pair.watcher,
        watcher_name=first_name(found.players[pair.watcher]),
        watched=pair.watched,
        watched_name=first_name(watched),
        instrument=watched.instrument,
        turn=pair.turn,
        checks=[c.id for c in found.checks if watched.instrument in c.instruments],
    )
