"""Players over many lessons, with what truly was there, to see how often the words of change are
right.

Each player has one to five causes, drawn by their priors. The course of the first cause is one of
four: it gets better; it is stuck; it gets better and returns with a harder piece; or it gets better
and the first lesson took it for another one. Of the others half get better. A hand has its own
signature: which signs its causes bring is drawn once, and followed in a share `steady` of the
lessons; else drawn anew. A sign that is there is slight or strong, as the hand is, and slight in
the lesson before it goes. The teacher looks again at what was seen, and at a few more. Grades are
drawn by tables of their own, with slight and strong further apart than the model has them.
Everything follows from the seed.

Where it flatters: the signs come from the strengths of the network that judges them.
"""

import random
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from enum import StrEnum

import numpy as np

from lefthand.catalogue.catalogue import Catalogue
from lefthand.catalogue.evidence import Evidence
from lefthand.reason.network import Floats, grades_if_not
from lefthand.values.vocabulary import Instrument

GAPS = (7, 7, 7, 7, 14, 21)
SIGNS_A_CAUSE = 5
MORE_SIGNS = 3
LOOKED_AT_FIRST = 0.75
LOOKED_AT_AGAIN = 0.85
MOST_CAUSES = 5
GRADE_IF = ((0.16, 0.42, 0.36, 0.06), (0.04, 0.08, 0.44, 0.44))


class Kind(StrEnum):
    BETTER = "better"
    STUCK = "stuck"
    RELAPSE = "relapse"
    WRONG = "wrong theory"


@dataclass(frozen=True, eq=False)
class TrueCourse:
    """days: of the lessons. there: (lessons, causes) 0 or 1. levels: by sign that was ever looked
    at, (lessons,) 0..2. grades: by lesson. harder: numbers of lessons before which a harder piece
    was given. first: the column of the first cause; back: the lesson of its return, if it returns.
    """

    kind: Kind
    causes: tuple[str, ...]
    days: Sequence[int]
    there: Floats
    levels: Mapping[str, Sequence[int]]
    grades: Sequence[Mapping[str, int]]
    harder: frozenset[int]
    first: int
    back: int | None


def draw_course(
    kind: Kind,
    catalogue: Catalogue,
    instrument: Instrument,
    chooser: random.Random,
    *,
    lessons: int = 12,
    steady: float = 0.6,
) -> TrueCourse:
    """One course of this kind. Raises ValueError for fewer than six lessons."""
    if lessons < 6:
        raise ValueError(f"a course has six lessons or more, got {lessons}")
    known = catalogue.causes_of(instrument)
    causes = tuple(c.id for c in known)
    mine = _draw_causes([c.prior for c in known], chooser)
    there, back = _draw_states(kind, mine, len(causes), lessons, chooser)
    signs = [e for e in catalogue.evidence_of(instrument) if not e.is_trial]
    hand = {e.id: chooser.random() for e in signs}
    watched = _watched(mine, causes, signs, hand, chooser)
    rivals = _rival_signs(mine[0], causes, signs, chooser) if kind is Kind.WRONG else []
    watched = list({e.id: e for e in [*watched, *rivals]}.values())
    levels = {e.id: _levels(e, there, causes, hand[e.id], steady, chooser) for e in watched}
    grades = _grades(watched, levels, lessons, chooser)
    for rival in rivals:
        grades[0][rival.id] = 3
    gaps = [0, *(chooser.choice(GAPS) for _ in range(lessons - 1))]
    return TrueCourse(
        kind=kind,
        causes=causes,
        days=np.cumsum(gaps).tolist(),
        there=there,
        levels=levels,
        grades=grades,
        harder=frozenset([back] if back is not None else []),
        first=mine[0],
        back=back,
    )


def _draw_causes(priors: Sequence[float], chooser: random.Random) -> list[int]:
    while True:
        mine = [number for number, prior in enumerate(priors) if chooser.random() < prior]
        if 1 <= len(mine) <= MOST_CAUSES:
            chooser.shuffle(mine)
            return mine


def _draw_states(
    kind: Kind, mine: Sequence[int], causes: int, lessons: int, chooser: random.Random
) -> tuple[Floats, int | None]:
    there = np.zeros((lessons, causes))
    back = None
    for number, cause in enumerate(mine):
        there[:, cause] = 1
        heals = kind is not Kind.STUCK if number == 0 else chooser.random() < 0.5
        if not heals:
            continue
        healed = chooser.randrange(2, max(3, lessons - 4))
        there[healed:, cause] = 0
        if kind is Kind.RELAPSE and number == 0:
            back = min(lessons - 2, healed + chooser.randrange(2, 5))
            there[back:, cause] = 1
    return there, back


def _watched(
    mine: Sequence[int],
    causes: Sequence[str],
    signs: Sequence[Evidence],
    hand: Mapping[str, float],
    chooser: random.Random,
) -> list[Evidence]:
    """The signs that this hand shows first, some of each of its causes, and a few others."""
    found: dict[str, Evidence] = {}
    for cause in mine:
        its = [e for e in signs if causes[cause] in e.causes]
        chooser.shuffle(its)
        its.sort(key=lambda e: hand[e.id] > e.causes[causes[cause]])
        found.update({e.id: e for e in its[:SIGNS_A_CAUSE]})
    found.update({e.id: e for e in chooser.sample(list(signs), MORE_SIGNS)})
    return list(found.values())


def _rival_signs(
    cause: int, causes: Sequence[str], signs: Sequence[Evidence], chooser: random.Random
) -> list[Evidence]:
    """Two own signs of a cause that shares a sign with the true one."""
    name = causes[cause]
    near = {c for e in signs if name in e.causes for c in e.causes if c != name and c in causes}
    if not near:
        return []
    rival = chooser.choice(sorted(near))
    own = [e for e in signs if rival in e.causes and name not in e.causes]
    return chooser.sample(own, min(2, len(own)))


def _levels(
    sign: Evidence,
    there: Floats,
    causes: Sequence[str],
    signature: float,
    steady: float,
    chooser: random.Random,
) -> list[int]:
    strong = chooser.choice((1, 2))
    strengths = np.array([sign.causes.get(c, 0.0) for c in causes])
    chances = 1 - (1 - sign.leak) * np.prod(1 - strengths * there, axis=1)
    on = [
        (signature if chooser.random() < steady else chooser.random()) < chance
        for chance in chances
    ]
    return [
        0 if not now else 1 if not later else strong
        for now, later in zip(on, [*on[1:], True], strict=True)
    ]


def _grades(
    watched: Sequence[Evidence],
    levels: Mapping[str, Sequence[int]],
    lessons: int,
    chooser: random.Random,
) -> list[dict[str, int]]:
    grades: list[dict[str, int]] = []
    for lesson in range(lessons):
        share = LOOKED_AT_AGAIN if lesson else LOOKED_AT_FIRST
        asked = [e for e in watched if chooser.random() < share] or watched[:1]
        found = {}
        for sign in asked:
            level = levels[sign.id][lesson]
            table = GRADE_IF[level - 1] if level else grades_if_not(sign).tolist()
            found[sign.id] = chooser.choices(range(4), weights=table)[0]
        grades.append(found)
    return grades
