"""A sweep: a few checks over a whole group, who needs a closer look, and who watches whom."""

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass

from lefthand.catalogue.catalogue import Catalogue
from lefthand.catalogue.evidence import Evidence
from lefthand.reason.looks import information_of
from lefthand.reason.network import Posterior
from lefthand.values.vocabulary import Grade, Instrument, Stage

MAX_CHECKS = 3
GLANCE_SECONDS = 15
GLANCE_STAGES = frozenset({Stage.SETUP, Stage.PLACED, Stage.DOWN, Stage.SLOW})
PROPOSED = 6


@dataclass(frozen=True, slots=True)
class Swept:
    """One player's grades of the swept checks now and, where known, the time before."""

    player: int
    now: Mapping[str, int]
    before: Mapping[str, int]


@dataclass(frozen=True, slots=True)
class CloserLook:
    """A player to look at alone. `worst` is the check that says so; `is_more`: more than before."""

    player: int
    worst: str
    grade: int
    is_more: bool


@dataclass(frozen=True, slots=True)
class Partner:
    """`trouble`: sum of the swept grades."""

    player: int
    held_up: bool
    trouble: int


@dataclass(frozen=True, slots=True)
class Pair:
    """turn: from 0; all of one turn play at once, while the others watch."""

    watcher: int
    watched: int
    turn: int


def glance_checks(catalogue: Catalogue, instruments: Iterable[Instrument]) -> list[Evidence]:
    """Checks that can be seen in passing and that at least one of the instruments has."""
    wanted = set(instruments)
    return [
        e
        for e in catalogue.evidence.values()
        if e.stage in GLANCE_STAGES and e.seconds <= GLANCE_SECONDS and wanted & e.instruments
    ]


def most_telling(
    players: Sequence[tuple[Instrument, Posterior]], catalogue: Catalogue
) -> list[Evidence]:
    """Up to six checks with the most information a second, summed over the group.

    Each player's posterior rests on what was found in the last lesson.
    """
    checks = glance_checks(catalogue, (instrument for instrument, _ in players))
    worth = dict.fromkeys((c.id for c in checks), 0.0)
    for instrument, result in players:
        own = [c for c in checks if instrument in c.instruments and c.id not in result.grades]
        for check, nats in zip(own, information_of(result, own), strict=True):
            worth[check.id] += nats / check.seconds
    return sorted(checks, key=lambda c: -worth[c.id])[:PROPOSED]


def closer_looks(swept: Iterable[Swept]) -> list[CloserLook]:
    """Players with a clear or strong finding, or with more than the time before; worst first."""
    found = [look for each in swept if (look := _closer_look(each)) is not None]
    return sorted(found, key=lambda look: (-look.grade, not look.is_more))


def _closer_look(swept: Swept) -> CloserLook | None:
    risen = [name for name, grade in swept.now.items() if grade > swept.before.get(name, grade)]
    telling = [name for name, grade in swept.now.items() if grade >= Grade.CLEAR or name in risen]
    if not telling:
        return None
    worst = max(telling, key=lambda name: (swept.now[name], name in risen))
    return CloserLook(swept.player, worst, swept.now[worst], worst in risen)


def pair_up(players: Sequence[Partner]) -> list[Pair]:
    """Everybody watches one and is watched by one, the easiest hand beside the most troubled.

    Pairs are of one kind of instrument (held up or standing) while that goes; of an odd number the
    last three watch in a circle. One player alone has no partner.
    """
    circles: list[list[int]] = []
    left: list[Partner] = []
    for held_up in (True, False):
        kind = sorted((p for p in players if p.held_up is held_up), key=lambda p: -p.trouble)
        while len(kind) > 1:
            circles.append([kind.pop(0).player, kind.pop().player])
        left += kind
    if len(left) > 1:
        circles.append([p.player for p in left])
    elif left and circles:
        circles[-1].append(left[0].player)
    return [
        Pair(circle[at - 1], watched, at) for circle in circles for at, watched in enumerate(circle)
    ]
