"""A round of a class: one half plays while the other watches, then they swap, check by check.

What a partner saw is no grade: it enters no diagnosis, and only says whom the teacher looks at.
"""

from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date

from lefthand.catalogue.evidence import Evidence
from lefthand.practice.sweep import Pair
from studio.errors import StudioError
from studio.groups.groups import sweep
from studio.models import Group, PartnerLook, Player

MOST_NEXT = 6
MOST_SHOWN = 12


@dataclass(frozen=True)
class Round:
    """pairs: who watches whom, by turns. looks: of today. next_up: who needs the teacher, those of
    whom most was seen first."""

    group: Group
    checks: Sequence[Evidence]
    players: dict[int, Player]
    pairs: Sequence[Pair]
    looks: Sequence[PartnerLook]
    next_up: Sequence[Player]


def round_of(group: Group, on: date) -> Round:
    found = sweep(group, on)
    players = {row.player.pk: row.player for row in found.rows}
    names = [check.id for check in found.checks]
    looks = list(PartnerLook.objects.filter(player__in=players, on=on, check_id__in=names))
    seen = Counter(look.player_id for look in looks if look.saw)
    return Round(
        group=group,
        checks=found.checks,
        players=players,
        pairs=found.pairs,
        looks=looks,
        next_up=[players[pk] for pk, _ in seen.most_common(MOST_NEXT)],
    )


def keep_look(
    group: Group, player_id: int, watcher_id: int, check: str, *, saw: bool | None, on: date
) -> None:
    """What one said of another; None takes it back. Raises StudioError naming what is not there."""
    members = {player.pk for player in group.players.all()}
    for name, each in (("player", player_id), ("watcher", watcher_id)):
        if each not in members:
            raise StudioError("not_found", name)
    if player_id == watcher_id:
        raise StudioError("bad_input", "watcher", "nobody watches their own hand here")
    if check not in group.checks:
        raise StudioError("bad_input", "check", f"{check!r} is not looked at in this round")
    if saw is None:
        PartnerLook.objects.filter(player_id=player_id, check_id=check, on=on).delete()
        return
    PartnerLook.objects.update_or_create(
        player_id=player_id,
        check_id=check,
        on=on,
        defaults={"saw": saw, "watcher_id": watcher_id},
    )


def seen_by_partners(player: Player) -> list[PartnerLook]:
    """The newest first."""
    return list(player.partner_looks.select_related("watcher")[:MOST_SHOWN])
