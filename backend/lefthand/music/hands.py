"""Where the fingers of a hand stand: position and frame.

A step is (letters, semitones). First-position steps above the open string (common practice): violin
and viola 2, 3 or 4, 5, 7 with the fourth low at 6; cello 2, 3, 4, 5, wide with a whole step from
first to second; bass 2, 3, 4 with fingers 1, 2, 4, or 2, 3, 4, 5 with every finger. Names of
positions higher up differ between schools; here a position says where the first finger stands.
"""

from collections.abc import Mapping

from lefthand.values.errors import InputError
from lefthand.values.vocabulary import Instrument

Step = tuple[int, int]
Hand = Mapping[int, Step]

# First finger above the open string, by position; 0 is half position.
_UPPER: Mapping[int, Step] = {0: (1, 1), 1: (1, 2), 2: (2, 4), 3: (3, 5), 4: (4, 7), 5: (5, 9)}
_LOWER: Mapping[int, Step] = {0: (1, 1), 1: (1, 2), 2: (2, 3), 3: (3, 5), 4: (4, 7)}

# Fingers above the first, by frame. The first frame is the usual one. Named by the half step that
# is close, or by what the hand does.
_UPPER_FRAMES: Mapping[str, Hand] = {
    "close 2-3": {1: (0, 0), 2: (1, 2), 3: (2, 3), 4: (3, 5)},
    "close 1-2": {1: (0, 0), 2: (1, 1), 3: (2, 3), 4: (3, 5)},
    "close 3-4": {1: (0, 0), 2: (1, 2), 3: (2, 4), 4: (3, 5)},
    "low fourth": {1: (0, 0), 2: (1, 2), 3: (2, 3), 4: (3, 4)},
    "all whole": {1: (0, 0), 2: (1, 2), 3: (2, 4), 4: (3, 6)},
}
_CELLO_FRAMES: Mapping[str, Hand] = {
    "closed": {1: (0, 0), 2: (1, 1), 3: (1, 2), 4: (2, 3)},
    "wide": {1: (0, 0), 2: (1, 2), 3: (2, 3), 4: (2, 4)},
}
_BASS_FRAMES: Mapping[str, Hand] = {
    "1-2-4": {1: (0, 0), 2: (1, 1), 4: (1, 2)},
    "1-2-3-4": {1: (0, 0), 2: (1, 1), 3: (1, 2), 4: (2, 3)},
}
POSITIONS: Mapping[Instrument, Mapping[int, Step]] = {
    Instrument.VIOLIN: _UPPER,
    Instrument.VIOLA: _UPPER,
    Instrument.CELLO: _LOWER,
    Instrument.BASS: _LOWER,
}
FRAMES: Mapping[Instrument, Mapping[str, Hand]] = {
    Instrument.VIOLIN: _UPPER_FRAMES,
    Instrument.VIOLA: _UPPER_FRAMES,
    Instrument.CELLO: _CELLO_FRAMES,
    Instrument.BASS: _BASS_FRAMES,
}
_BASS_FRAME_OF_WAY = {"124": "1-2-4", "1234": "1-2-3-4"}


def bass_frame(ways: Mapping[str, str]) -> str:
    """The bass's frame by the way of teaching that was chosen; the usual one where none was."""
    usual = next(iter(_BASS_FRAME_OF_WAY.values()))
    return _BASS_FRAME_OF_WAY.get(ways.get("bass_fingering", ""), usual)


def usual_frame(instrument: Instrument) -> str:
    return next(iter(FRAMES[instrument]))


def hand_of(instrument: Instrument, position: int = 1, frame: str | None = None) -> Hand:
    """Finger to its step above the open string. Raises InputError naming position or frame."""
    places, frames = POSITIONS[instrument], FRAMES[instrument]
    if position not in places:
        raise InputError("position", f"expected one of {_list(places)}, got {position!r}")
    chosen = usual_frame(instrument) if frame is None else frame
    if chosen not in frames:
        raise InputError("frame", f"expected one of {_list(frames)}, got {frame!r}")
    letters, semitones = places[position]
    return {f: (letters + up[0], semitones + up[1]) for f, up in frames[chosen].items()}


def _list(options: Mapping[str, Hand] | Mapping[int, Step]) -> str:
    return ", ".join(str(option) for option in options)
