"""The key of a short piece: one in which its notes need no signs, with a tonic that is heard."""

from collections.abc import Sequence
from functools import cache, lru_cache

from lefthand.music.score import Key
from lefthand.music.strings import STEP_NAMES, Pitch

FIFTHS = range(-5, 7)
EASY_SIGNS = 3
# Two notes alone speak of no key; the open string beside them does.
FEW_NOTES = 3
# Steps in the order in which sharps are added to a signature.
SHARP_STEPS = (3, 0, 4, 1, 5, 2, 6)
FIFTH = 4  # steps
MINOR_THIRD_DOWN = 5  # steps up from the major tonic to that of the minor key


@cache
def signature(fifths: int) -> tuple[int, ...]:
    """Alterations in semitones of the seven steps from C in a key of so many fifths."""
    alters = [0] * 7
    for index in range(abs(fifths)):
        step = SHARP_STEPS[index] if fifths > 0 else SHARP_STEPS[6 - index]
        alters[step] = 1 if fifths > 0 else -1
    return tuple(alters)


def key_with(fifths: int, *, is_minor: bool) -> Key:
    """The key of that signature with its tonic named."""
    step = FIFTH * fifths % 7
    if is_minor:
        step = (step + MINOR_THIRD_DOWN) % 7
    sign = {-1: "b", 0: "", 1: "#"}[signature(fifths)[step]]
    return Key(fifths, f"{STEP_NAMES[step]}{sign}", is_minor)


def key_of(pitches: Sequence[Pitch], home: Pitch) -> Key:
    """A key that needs no signs in the music, else one with few of them in all.

    Among those an easy one whose tonic is heard, best `home` (the open string), major before minor,
    best the last note's.
    """
    used = {(p.step, p.alter) for p in pitches}
    heard = {_name(p) for p in pitches}
    if len(heard) < FEW_NOTES:
        heard.add(_name(home))
    last = _name(pitches[-1]) if pitches else _name(home)

    def cost(key: Key) -> tuple[int, bool, bool, bool, bool, bool, int]:
        signs = signature(key.fifths)
        in_music = sum(alter != signs[step] for step, alter in used)
        return (
            2 * in_music + abs(key.fifths) if in_music else 0,
            abs(key.fifths) > EASY_SIGNS,
            key.tonic not in heard,
            key.tonic != _name(home),
            key.is_minor,
            key.tonic != last,
            abs(key.fifths),
        )

    keys = [key_with(f, is_minor=minor) for f in FIFTHS for minor in (False, True)]
    return min(keys, key=cost)


def _name(pitch: Pitch) -> str:
    return str(pitch)[:-1]


@lru_cache(maxsize=4096)
def spelled_in(pitch: Pitch, key: Key) -> Pitch:
    """The same sound on the step that the key has for it; as it was where the key has none."""
    for steps in (0, 1, -1):
        other = pitch.above(steps, 0)
        if other.alter == signature(key.fifths)[other.step]:
            return other
    return pitch
