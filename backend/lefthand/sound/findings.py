"""What takes of drills tell of the hand, as a case takes it: `lefthand/values/measures.py` has the
edges between grades.

One take gives how flat the fourth is (slow, at most four notes a second), how wide each finger's
vibrato is beside the others', whether the open neighbour rings, how often a finger comes after its
bow, how light a finger still sounds and where the hand tightens. A slow and a fast take of one
drill give how much evenness and the upper fingers lose.
"""

from collections.abc import Mapping
from dataclasses import dataclass, field
from typing import Any

import numpy as np

from lefthand.sound.notes import beyond_ear
from lefthand.sound.take import Take

SLOW = 4.0  # notes a second
QUICKEST = 8.5
UPPER = (3, 4)
FOURTH = 4
FASTER = 1.25
FEWEST_NOTES = 2
STRING_OFF = 15.0
STRING_AGREES = 8.0
LONG_NOTE = 2.0
DIGITS = 2
EVEN_RISE = 2.0  # %: less is as even
SHRINKS = 5.0  # cents: less is hardly heard

Found = dict[str, Any]


def findings_of(take: Take) -> Found:
    """Evidence by id with `value`, or by finger where the evidence is; nothing of a take that tells
    nothing."""
    if take.reason is not None:
        return {}
    found: Found = {}
    if take.notes_a_second <= SLOW:
        flat = fourth_cents(take)
        if flat is not None:
            found["fourth.low"] = _value(flat)
    by_finger = {
        "vibrato.narrow": vibrato_shares(take),
        "neighbour.muted": neighbour_shares(take),
        "press.excess": pressure_slack(take),
        "finger.late": {finger: each.share for finger, each in take.timing.items()},
    }
    for evidence, values in by_finger.items():
        if values:
            found[evidence] = {str(finger): _value(value) for finger, value in values.items()}
    if take.tightens_from is not None:
        found["fades.early"] = _value(take.tightens_from)
    return found


@dataclass(frozen=True, slots=True)
class Beside:
    """What of a take is laid beside another one. speed: notes a second. cv: % of spacings beyond
    what the ear adds, None where it was not told. cents: by finger. cv_error, cents_errors: their
    standard errors, 0 or nothing where they are not known."""

    speed: float
    cv: float | None
    cents: Mapping[int, float]
    cv_error: float = 0.0
    cents_errors: Mapping[int, float] = field(default_factory=dict)


def beside_of(take: Take) -> Beside | None:
    """None of a take that tells nothing."""
    if take.reason is not None:
        return None
    even = take.evenness
    cv, error = (None, 0.0) if even is None else beyond_ear(even.cv, even.uncertainty, even.least)
    return Beside(
        speed=take.notes_a_second,
        cv=cv,
        cents={finger: pitch.cents for finger, pitch in take.fingers.items()},
        cv_error=error,
        cents_errors={finger: pitch.uncertainty for finger, pitch in take.fingers.items()},
    )


def findings_of_two(slow: Beside | None, fast: Beside | None) -> Found:
    """Of one drill slow and fast; the faster one at least a quarter faster, up to eight notes a
    second. Nothing where they are not that, and nothing that its own error does not bear out."""
    if slow is None or fast is None or not is_slow_and_fast(slow, fast):
        return {}
    found: Found = {}
    rise, give = rise_of(slow, fast)
    if rise is not None and (rise < EVEN_RISE or rise > give):
        found["uneven.fast"] = _value(rise)
    moved, give = moved_upper(slow, fast)
    if moved is not None and (moved >= -SHRINKS or -moved > give):
        found["frame.shrinks"] = _value(moved)
    return found


def rise_of(slow: Beside, fast: Beside) -> tuple[float | None, float]:
    """How much less even the fast take is, %, and its give-or-take of twice the standard error."""
    if slow.cv is None or fast.cv is None:
        return None, 0.0
    return fast.cv - slow.cv, 2 * float(np.hypot(slow.cv_error, fast.cv_error))


def upper_of(slow: Beside, fast: Beside) -> list[int]:
    """Of third and fourth, those that both takes heard."""
    return [finger for finger in UPPER if finger in slow.cents and finger in fast.cents]


def moved_upper(slow: Beside, fast: Beside) -> tuple[float | None, float]:
    """By how many cents third and fourth have moved, and its give-or-take."""
    fingers = upper_of(slow, fast)
    if not fingers:
        return None, 0.0
    moved = _moved(slow, fast)
    errors = [each.cents_errors.get(f, 0.0) for each in (slow, fast) for f in fingers]
    give = 2 * float(np.sqrt(np.sum(np.square(errors)))) / len(fingers)
    return float(np.mean([moved[finger] for finger in fingers])), give


def is_slow_and_fast(slow: Beside, fast: Beside) -> bool:
    """Whether they can be compared."""
    return FASTER * slow.speed <= fast.speed <= QUICKEST


def cents_a_doubling(slow: Beside | None, fast: Beside | None) -> dict[int, float]:
    """By finger, cents for every doubling of the speed; nothing where it did not grow."""
    if slow is None or fast is None or fast.speed <= slow.speed:
        return {}
    doublings = float(np.log2(fast.speed / slow.speed))
    return {finger: cents / doublings for finger, cents in _moved(slow, fast).items()}


def _moved(slow: Beside, fast: Beside) -> dict[int, float]:
    return {f: cents - slow.cents[f] for f, cents in fast.cents.items() if f in slow.cents}


def _value(value: float) -> dict[str, float]:
    return {"value": round(float(value), DIGITS)}


def fourth_cents(take: Take) -> float | None:
    """Cents of the fourth against the drill, less what its string is out of tune; None for fewer
    than two sure notes."""
    off = strings_off(take)
    own = [
        note.cents - off.get(take.score.notes[note.place].string, 0.0)
        for note in take.notes
        if _finger(take, note.place) == FOURTH and not note.doubts
    ]
    return float(np.median(own)) if len(own) >= FEWEST_NOTES else None


def strings_off(take: Take) -> dict[int, float]:
    """Cents that a string is out of tune: what the open string and the fingers below the fourth
    agree on, where two of them agree on more than 15."""
    lower: dict[int, dict[int, list[float]]] = {}
    for note in take.notes:
        played = take.score.notes[note.place]
        if played.finger < FOURTH and not note.doubts:
            lower.setdefault(played.string, {}).setdefault(played.finger, []).append(note.cents)
    off = {}
    for string, fingers in lower.items():
        means = [float(np.median(each)) for each in fingers.values()]
        together = len(means) >= 2 and max(means) - min(means) <= STRING_AGREES
        if together and abs(np.mean(means)) > STRING_OFF:
            off[string] = float(np.mean(means))
    return off


def _finger(take: Take, place: int) -> int:
    return take.score.notes[place].finger


def vibrato_shares(take: Take) -> dict[int, float]:
    """Each finger's width over the median of the other fingers'; nothing where no finger has any,
    or only one was heard."""
    widths = {finger: each.width for finger, each in take.vibrato.items()}
    shares = {}
    for finger, width in widths.items():
        others = [other for which, other in widths.items() if which != finger]
        usual = float(np.median(others)) if others else 0.0
        if usual > 0:
            shares[finger] = min(20.0, width / usual)
    return shares


def neighbour_shares(take: Take) -> dict[int, float]:
    """Of each finger the share of its notes in which the open string beside it sounds; fingers of
    which it cannot be told are left out."""
    own: dict[int, list[float]] = {}
    for each in take.ringing:
        if each.share is not None:
            own.setdefault(_finger(take, each.place), []).append(each.share)
    return {finger: float(np.mean(each)) for finger, each in sorted(own.items())}


def pressure_slack(take: Take) -> dict[int, float]:
    """Where a finger was lightened evenly over a long note: what was left of its effort when the
    tone broke, the share of the note still to come. Fingers whose tone did not break are left
    out."""
    found: dict[int, float] = {}
    for note in take.notes:
        finger = _finger(take, note.place)
        if finger == 0 or take.score.notes[note.place].seconds < LONG_NOTE:
            continue
        until = note.at + take.score.notes[note.place].seconds / take.tempo
        own = [b.begins for b in take.breaks if note.at < b.begins < until]
        if own:
            left = 1 - (own[0] - note.at) / (until - note.at)
            found[finger] = min(found.get(finger, 1.0), left)
    return found
