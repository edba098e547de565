"""How much the room sings on: the time until a sound is 60 dB down, from the end of the take.

Level falls along a line after the last note; its slope between 3 and 25 dB below the note, or as
far as it falls before the noise, gives the time (ISO 3382-1, T20). A string that is left to ring
sings on by itself, so this is an upper bound, and only three words are made of it.
"""

import numpy as np

from lefthand.sound.recording import Recording, Samples

DRY_BELOW, MUCH_ABOVE, TOO_MUCH = 0.2, 0.55, 2.5  # s
LEAST_FALL_DB = 8.0
WINDOW, HOP = 0.02, 0.005  # s
BEFORE, LOOKS_AT = 0.4, 1.5  # s
STILL_LOUD_DB = 5.0
LEVEL_FRAMES, LEVEL_DB = 20, 1.0  # a tenth of a second
SHUT_OFF_DB = 15.0  # from one level to the next


def reverberation(recording: Recording, ends: float) -> float | None:
    """s until 60 dB down, once the sound stops at `ends` or soon after; None where none falls."""
    level = _level(recording, ends - BEFORE, ends + LOOKS_AT)
    if len(level) < 40:
        return None
    # From the last moment that is nearly as loud as the note was.
    loud = float(np.percentile(level[: int(BEFORE / HOP)], 75))
    top_at = int(np.flatnonzero(level > loud - STILL_LOUD_DB)[-1])
    fallen = _natural(level[top_at] - level[top_at:])
    floor = _floor(fallen)
    if floor < LEAST_FALL_DB + 5:
        return None
    deepest = min(25.0, floor - 4)
    first = int(np.argmax(fallen >= 3))
    last = int(np.argmax(fallen >= deepest))
    if last - first < 3:
        return 0.0
    at = np.arange(first, last + 1) * HOP
    slope = float(np.polyfit(at, fallen[first : last + 1], 1)[0])
    return 60.0 / slope if slope > 0 else None


def _floor(fallen: Samples) -> float:
    """dB below the note at which it stops falling: the first stretch that stays level, as noise may
    sink later; without one what is deepest."""
    if len(fallen) <= 20:
        return 0.0
    for at in range(len(fallen) - 2 * LEVEL_FRAMES):
        here, next_to = (
            float(np.median(fallen[first : first + LEVEL_FRAMES]))
            for first in (at, at + LEVEL_FRAMES)
        )
        if here > LEAST_FALL_DB + 5 and next_to - here < LEVEL_DB:
            return here
    return float(np.percentile(fallen, 90))


def _natural(fallen: Samples) -> Samples:
    """Up to where a recorder shut the sound off: no room falls so far at once that late."""
    shut = (np.diff(fallen, append=fallen[-1]) > SHUT_OFF_DB) & (fallen > LEAST_FALL_DB)
    return fallen[: int(np.argmax(shut)) + 1] if shut.any() else fallen


def room_word(seconds: float | None) -> str:
    """dry, usual or much; usual where it is not known."""
    if seconds is None:
        return "usual"
    if seconds < DRY_BELOW:
        return "dry"
    return "much" if seconds > MUCH_ABOVE else "usual"


def _level(recording: Recording, begins: float, ends: float) -> Samples:
    rate = recording.rate
    size, step = int(WINDOW * rate), int(HOP * rate)
    first, last = max(0, int(begins * rate)), min(len(recording.samples), int(ends * rate))
    starts = range(first, last - size, step)
    power = [float(np.mean(recording.samples[at : at + size] ** 2)) for at in starts]
    return 10 * np.log10(np.array(power) + 1e-12)
