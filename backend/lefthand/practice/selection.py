"""Which exercises aim at the focus, and in which order they fill a week.

A week reads: a release (a warm-up before a load, and for old hands), then placement, then strength
if it is allowed, then a step into music. All weights are working judgement, with no published
source.
"""

from collections.abc import Container, Iterable, Mapping, Sequence
from dataclasses import dataclass

from lefthand.case.case import Case
from lefthand.case.ways import ways_in_force
from lefthand.catalogue.exercises import Exercise
from lefthand.practice.doses import SPACED_ABOVE_AGE, is_load
from lefthand.practice.own_place import OwnPlace
from lefthand.practice.rules import WARM_UP, locked_by, needs_a_hand_below, reason_against
from lefthand.practice.situation import Situation
from lefthand.values.fingers import fingers_of_hand
from lefthand.values.said import Said
from lefthand.values.vocabulary import FINGERS, Grade, Kind, Setting

AIM_WEIGHTS = (1.0, 0.8, 0.6, 0.4)
DIRECT_BONUS = (0.4, 0.25, 0.15, 0.1)
ANSWER_BONUS = 0.3
TRANSFER_WEIGHT = 0.7
WORTH_A_PLACE = 0.6
UNDER_WAY_BONUS = 0.25
DISLIKED_SHARE = 0.5
PREFERRED_BONUS = 0.2
PUT_BACK_SHARE = 0.6
# More than all else: what unlocks an exercise of the focus comes before the others.
UNLOCKS_BONUS = 3.0
MUCH_PLAYING_HOURS = 2
KIND_ORDER = list(Kind)
SETTING_ORDER = list(Setting)
PLACEMENTS = (Kind.PLACEMENT, Kind.COORDINATION)
# From gentle to demanding, for a week in which nothing is likely yet.
GENTLE_ORDER = (*(Kind.RELEASE, Kind.PLACEMENT, Kind.COORDINATION, Kind.TRANSFER, Kind.STRENGTH),)


@dataclass(frozen=True, slots=True)
class Wishes:
    """What a week is asked to mind.

    load_limit: most seconds of work a week that may load the hand (see `load.py`); None for no
    limit from weeks before. under_way: exercises of the last plan that are to go on, which are
    preferred. disliked: exercises that count half. without: exercises to leave out this time.
    minutes: a smaller budget a day than the case's own. place: in the player's own piece, where the
    step into music is to be; None for none.
    """

    load_limit: float | None = None
    under_way: Container[str] = ()
    disliked: Container[str] = ()
    without: frozenset[str] = frozenset()
    minutes: float | None = None
    place: OwnPlace | None = None


NO_WISHES = Wishes()


@dataclass(frozen=True, slots=True)
class Withheld:
    exercise: str
    reason: Said


@dataclass(frozen=True, slots=True)
class Slot:
    """A place of the week and what could fill it, best first."""

    candidates: tuple[Exercise, ...]


@dataclass(frozen=True, slots=True)
class Selection:
    """ranked: what may be given for the focus, best first. in_lesson: what is done with the teacher
    instead; hand_below: of these what needs the teacher's hand below the instrument. slots: the
    places of the week, the most important first."""

    ranked: Sequence[Exercise]
    in_lesson: tuple[str, ...]
    hand_below: tuple[str, ...]
    slots: tuple[Slot, ...]
    withheld: tuple[Withheld, ...]


def select(now: Situation, wishes: Wishes) -> Selection:
    """With no focus the gentlest of what aims at possible causes leads."""
    targets = now.diagnosis.targets
    locks = _locks(now)
    scores: dict[str, float] = {}
    withheld = []
    hand_below = []
    for exercise in now.catalogue.exercises.values():
        if case_excludes(exercise, now.case) or exercise.id in wishes.without:
            continue
        aimed = _is_aimed(exercise, now, wishes)
        if not aimed and not exercise.general and exercise.kind is not Kind.RELEASE:
            continue
        reason = reason_against(exercise, now)
        if reason is None:
            scores[exercise.id] = _score(exercise, targets, now, wishes)
            scores[exercise.id] += UNLOCKS_BONUS if locks & set(exercise.answers) else 0.0
        elif aimed:
            withheld.append(Withheld(exercise.id, reason))
            if needs_a_hand_below(exercise, now):
                hand_below.append(exercise.id)
    allowed = [now.catalogue.exercises[name] for name in scores]
    aimed_at = [e for e in allowed if _is_aimed(e, now, wishes)]
    if now.diagnosis.focus:
        ranked = _by_score(aimed_at, scores)
    else:
        ranked = _by_gentleness(aimed_at, scores, now)
    at_home = [e for e in ranked if not e.in_lesson]
    others = _by_score((e for e in allowed if e not in ranked), scores)
    others.sort(key=lambda e: not e.general)
    return Selection(
        ranked,
        (*(e.id for e in ranked if e.in_lesson), *hand_below),
        tuple(hand_below),
        tuple(_slots(at_home, others, scores, now, in_piece=wishes.place is not None)),
        tuple(withheld),
    )


def _is_aimed(exercise: Exercise, now: Situation, wishes: Wishes) -> bool:
    at_focus = any(aim in now.diagnosis.targets for aim in exercise.aims)
    return at_focus or _goes_on(exercise, now, wishes)


def _locks(now: Situation) -> set[str]:
    """Signs that keep the first exercises of the focus out of the week."""
    focus = [each.cause for each in now.diagnosis.focus]
    begin = (name for cause in focus for name in now.catalogue.causes[cause].begin_with)
    first = [now.catalogue.exercises[name] for name in begin]
    return {sign for e in first if not case_excludes(e, now.case) for sign in locked_by(e, now)}


def _goes_on(exercise: Exercise, now: Situation, wishes: Wishes) -> bool:
    """Last week's work goes on while nothing was looked at that says otherwise."""
    return exercise.id in wishes.under_way and not now.diagnosis.focus and not now.findings


def case_excludes(exercise: Exercise, case: Case) -> bool:
    """True for an exercise that this instrument, or the fingering of this bass, does not have."""
    hand = fingers_of_hand(case.instrument, case.way_of_teaching)
    lacks_one = exercise.four_fingers and len(hand) < len(FINGERS)
    return case.instrument not in exercise.instruments or lacks_one


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
    score += ANSWER_BONUS * answers(exercise, now) / Grade.STRONG if score else 0.0
    if exercise.id in wishes.under_way or now.case.passed.get(exercise.id, 0) > 0:
        score += UNDER_WAY_BONUS
    for way, value in ways_in_force(now.case.way_of_teaching, now.catalogue, now.case.instrument):
        if exercise.id in way.prefers.get(value, ()):
            score += PREFERRED_BONUS
        if exercise.id in way.puts_back.get(value, ()):
            score *= PUT_BACK_SHARE
    if exercise.kind is Kind.TRANSFER:
        score *= TRANSFER_WEIGHT
    if exercise.kind is Kind.STRENGTH and now.case.hours_a_day >= MUCH_PLAYING_HOURS:
        score /= 2
    return score * (DISLIKED_SHARE if exercise.id in wishes.disliked else 1)


def answers(exercise: Exercise, now: Situation) -> int:
    """The clearest grade, 0..3, of the signs that this exercise works on directly."""
    found = [now.diagnosis.findings.get(sign) for sign in exercise.answers]
    return max((finding.grade for finding in found if finding is not None), default=0)


def _by_score(exercises: Iterable[Exercise], scores: Mapping[str, float]) -> list[Exercise]:
    return sorted(exercises, key=lambda e: (-round(scores[e.id], 6), *_place(e)))


def _by_gentleness(
    exercises: Iterable[Exercise], scores: Mapping[str, float], now: Situation
) -> list[Exercise]:
    """What works on the very sign that was seen first, then the gentlest."""

    def key(exercise: Exercise) -> tuple[float, ...]:
        gentle = GENTLE_ORDER.index(exercise.kind)
        return (-answers(exercise, now), gentle, _place(exercise)[1], -scores[exercise.id])

    return sorted(exercises, key=key)


def _place(exercise: Exercise) -> tuple[int, int]:
    return KIND_ORDER.index(exercise.kind), SETTING_ORDER.index(exercise.rungs[0].setting)


def _slots(
    ranked: Sequence[Exercise],
    others: Sequence[Exercise],
    scores: Mapping[str, float],
    now: Situation,
    *,
    in_piece: bool,
) -> Iterable[Slot]:
    """The places of the week: what leads, a release, a step into music, then placement.

    `ranked` aims at the focus; of `others` come a release or a step into music where the focus has
    none of its own; in_piece: first a step that is played in the player's own piece. A week has one
    load at most, with the warm-up before it.
    """
    releases = [e for e in ranked if e.kind is Kind.RELEASE]
    steps = [e for e in ranked if e.kind is Kind.TRANSFER]
    general = [e for e in others if e.general or e.kind is Kind.RELEASE]
    warm_up = [e for e in (*ranked, *others) if e.id == WARM_UP]
    leading = next((e for e in ranked if e.kind is not Kind.TRANSFER), None)
    old = now.case.age is not None and now.case.age > SPACED_ABOVE_AGE
    if leading is not None:
        yield Slot(tuple(e for e in ranked if e.kind is leading.kind))
    warms = old or (leading is not None and is_load(leading))
    if warms:
        yield Slot(tuple(warm_up))
    elif leading is None or leading.kind is not Kind.RELEASE:
        yield Slot((*releases, *(e for e in general if e.kind is Kind.RELEASE)))
    into_music = [*steps, *_music_for_all(general, now)]
    yield Slot(tuple(sorted(into_music, key=lambda e: in_piece and not e.takes_piece)))
    worth = WORTH_A_PLACE * max((scores[e.id] for e in ranked), default=0.0)
    worthy = [e for e in ranked if e.kind in PLACEMENTS and scores[e.id] >= worth]
    yield Slot((*worthy, *(e for e in ranked if e.kind in (Kind.RELEASE, *PLACEMENTS))))


def _music_for_all(general: Iterable[Exercise], now: Situation) -> list[Exercise]:
    """Steps into music that fit any focus: those that work on what was seen first, and a tune
    before the open strings for whoever has a finger to care for."""
    steps = [e for e in general if e.kind is Kind.TRANSFER]
    has_finger = any(f.fingers for f in now.diagnosis.focus)
    return sorted(
        steps,
        key=lambda e: (
            -answers(e, now),
            e.level.rank < now.case.level.rank,
            (e.finger is not None) is not has_finger,
            SETTING_ORDER.index(e.setting),
        ),
    )
