"""Which exercises aim at the focus, and in which order they fill a week.

All weights are working judgement, with no published source.
"""

from collections.abc import Container, Mapping, Sequence
from dataclasses import dataclass

from lefthand.case.case import Case
from lefthand.catalogue.exercises import Exercise
from lefthand.practice.doses import is_load
from lefthand.practice.rules import WARM_UP, reason_against
from lefthand.practice.situation import Situation
from lefthand.reason.diagnosis import Diagnosis
from lefthand.values.vocabulary import POSSIBLE_ABOVE, Kind, Setting

AIM_WEIGHTS = (1.0, 0.8, 0.6, 0.4)
SECOND_FOCUS_WEIGHT = 0.6
DIRECT_BONUS = (0.4, 0.25, 0.15, 0.1)
COMPANION_WEIGHT = 0.6
TRANSFER_WEIGHT = 0.7
WORTH_A_PLACE = 0.6
UNDER_WAY_BONUS = 0.25
DISLIKED_SHARE = 0.5
PREFERRED_BONUS = 0.2
MUCH_PLAYING_HOURS = 2
KIND_ORDER = list(Kind)
SETTING_ORDER = list(Setting)


@dataclass(frozen=True, slots=True)
class Wishes:
    """What a week is asked to mind.

    load_limit: most seconds of work a week that may load the hand (see `load.py`); None for no
    limit from weeks before. under_way: exercises of the last plan that are to go on, which are
    preferred. disliked: exercises that count half. without: exercises to leave out this time.
    minutes: a smaller budget a day than the case's own.
    """

    load_limit: float | None = None
    under_way: Container[str] = ()
    disliked: Container[str] = ()
    without: frozenset[str] = frozenset()
    minutes: float | None = None


NO_WISHES = Wishes()


@dataclass(frozen=True, slots=True)
class Withheld:
    exercise: str
    reason: str


@dataclass(frozen=True, slots=True)
class Selection:
    """ranked: what may be given, best first. choice: the order in which the week is filled."""

    ranked: Sequence[Exercise]
    choice: Sequence[Exercise]
    withheld: tuple[Withheld, ...]


def select(now: Situation, wishes: Wishes) -> Selection:
    """With no focus only the gentlest release is chosen."""
    targets = target_weights(now.diagnosis)
    only_release = not now.diagnosis.focus
    scores: dict[str, float] = {}
    withheld = []
    for exercise in now.catalogue.exercises.values():
        if case_excludes(exercise, now.case) or not _aims_at(exercise, targets):
            continue
        if exercise.id in wishes.without:
            continue
        if only_release and exercise.kind is not Kind.RELEASE:
            continue
        reason = reason_against(exercise, now)
        if reason is None:
            scores[exercise.id] = _score(exercise, targets, now, wishes)
        else:
            withheld.append(Withheld(exercise.id, reason))
    ranked = _ranked(scores, now, gentlest=only_release)
    worth = WORTH_A_PLACE * max(scores.values(), default=0.0)
    worthy = {name for name, score in scores.items() if score >= worth}
    choice = ranked[:1] if only_release else _balanced(ranked, worthy, now)
    return Selection(ranked, choice, tuple(withheld))


def case_excludes(exercise: Exercise, case: Case) -> bool:
    """True for an exercise that this instrument does not have."""
    return case.instrument not in exercise.instruments


def target_weights(diagnosis: Diagnosis) -> dict[str, float]:
    """How much each cause counts in choosing exercises.

    The focus 1, a second focus 0.6; with one focus the next *possible* cause counts with 0.6 of its
    probability. With no focus only the leading *possible* cause counts.
    """
    weights = {
        f.cause: w for f, w in zip(diagnosis.focus, (1.0, SECOND_FOCUS_WEIGHT), strict=False)
    }
    if len(weights) < 2:
        left = [v for v in diagnosis.causes if v.cause not in weights]
        companion = max(left, key=lambda v: v.probability, default=None)
        if companion is not None and companion.probability > POSSIBLE_ABOVE:
            weights[companion.cause] = COMPANION_WEIGHT * companion.probability
    return weights


def _aims_at(exercise: Exercise, targets: Mapping[str, float]) -> bool:
    return any(aim in targets for aim in exercise.aims)


def _score(
    exercise: Exercise, targets: Mapping[str, float], now: Situation, wishes: Wishes
) -> float:
    score = 0.0
    for place, aim in enumerate(exercise.aims):
        weight = targets.get(aim, 0.0)
        score += weight * AIM_WEIGHTS[min(place, len(AIM_WEIGHTS) - 1)]
        direct = now.catalogue.causes[aim].begin_with
        if weight and exercise.id in direct:
            score += weight * DIRECT_BONUS[direct.index(exercise.id)]
    if exercise.id in wishes.under_way or now.case.passed.get(exercise.id, 0) > 0:
        score += UNDER_WAY_BONUS
    for way in now.catalogue.ways.values():
        if exercise.id in way.prefers.get(now.way(way.key), ()):
            score += PREFERRED_BONUS
    if exercise.kind is Kind.TRANSFER:
        score *= TRANSFER_WEIGHT
    if exercise.kind is Kind.STRENGTH and now.case.hours_a_day >= MUCH_PLAYING_HOURS:
        score /= 2
    return score * (DISLIKED_SHARE if exercise.id in wishes.disliked else 1)


def _ranked(scores: Mapping[str, float], now: Situation, *, gentlest: bool) -> list[Exercise]:
    def key(exercise: Exercise) -> tuple[float, ...]:
        score = scores[exercise.id]
        order = (KIND_ORDER.index(exercise.kind), SETTING_ORDER.index(exercise.rungs[0].setting))
        return (order[1], -score) if gentlest else (-round(score, 6), *order)

    return sorted((now.catalogue.exercises[name] for name in scores), key=key)


def _balanced(ranked: Sequence[Exercise], worthy: set[str], now: Situation) -> list[Exercise]:
    """The order in which the week is filled: the best exercise, a release, a placement that is
    nearly as good, a step into music, then the best of what is left. A load brings the warm-up with
    it, and a week has one load at most."""
    order: list[Exercise] = list(ranked[:1])
    loads = bool(order) and is_load(order[0])
    releases = [e for e in ranked if e.kind is Kind.RELEASE]
    if loads and not releases:
        releases = [now.catalogue.exercises[WARM_UP]]
    placements = [
        e for e in ranked if e.kind in (Kind.PLACEMENT, Kind.COORDINATION) and e.id in worthy
    ]
    transfers = [e for e in ranked if e.kind is Kind.TRANSFER]
    for group in (releases, placements, transfers, ranked):
        if group is releases and order and order[0].kind is Kind.RELEASE:
            continue
        fresh = [e for e in group if e not in order and not is_load(e)]
        order += fresh[:1]
    return order
