"""Which fingers a hand has, and which of them an exercise is about."""

from collections.abc import Collection, Mapping, Sequence
from itertools import pairwise

from lefthand.values.vocabulary import FINGERS, Instrument

# A bass hand in which the third finger helps the fourth, which is the usual one.
THIRD_HELPS = (1, 2, 4)
FOUR_FINGERS = "1234"


def fingers_of_hand(instrument: Instrument, ways: Mapping[str, str]) -> tuple[int, ...]:
    """The fingers that stop a string by themselves, by the way of teaching on the bass."""
    all_work = instrument is not Instrument.BASS or ways.get("bass_fingering") == FOUR_FINGERS
    return FINGERS if all_work else THIRD_HELPS


def aimed_fingers(hand: Sequence[int], aimed: Collection[int]) -> tuple[int, ...]:
    """The aimed-at fingers that this hand has, or all of it. Where the third helps the fourth, the
    fourth stands for it."""
    wanted = {*aimed, 4} if 3 in aimed and 3 not in hand else set(aimed)
    return tuple(f for f in hand if f in wanted) or tuple(hand)


def finger_pairs(hand: Sequence[int], aimed: Collection[int]) -> list[tuple[int, int]]:
    """The pairs that an exercise in pairs goes through, the lower finger first: with aimed-at
    fingers those of each with every other, else all neighbours; as many as there are neighbours."""
    neighbours = list(pairwise(hand))
    if not aimed:
        return neighbours
    pairs = [
        (min(target, other), max(target, other))
        for target in aimed_fingers(hand, aimed)
        for other in hand
        if other != target
    ]
    return list(dict.fromkeys(pairs))[: len(neighbours)]
