"""What it costs to go from one hand to the next, for all pairs of hands at once."""

from collections.abc import Mapping

import numpy as np

from lefthand.passage.places import THUMB, Hands
from lefthand.values.vocabulary import Instrument

QUICK = 0.3  # s: less time than this makes a move dearer
CLASSES = (0.12, 0.2, 0.35, 0.7)  # s
STANDS_FOR = (0.08, 0.15, 0.25, 0.45, 1.0)  # s
HAND = 5  # semitones from first to fourth of the plain hand
OF_A_HOP, OF_A_SWAP = 0.3, 0.4  # what is left over a rest
MOST_KEPT = 5000
SAME_PLACE = 0.5  # of a hop to the same semitone of the next string

Matrix = np.ndarray


def class_of(seconds: float) -> int:
    """Times are told in five classes, so that moves can be worked out once."""
    return next((n for n, limit in enumerate(CLASSES) if seconds < limit), len(CLASSES))


class Moves:
    """instrument: of the hands. Moves are kept, as music repeats itself; the hands themselves must
    live as long."""

    def __init__(self, instrument: Instrument, cost: Mapping[str, float]) -> None:
        self._instrument = instrument
        self._cost = cost
        self._known: dict[tuple[int, int, int, bool, bool], Matrix] = {}

    def between(
        self, one: Hands, two: Hands, seconds: float, *, slurred: bool, free: bool
    ) -> Matrix:
        """Rows: hands before; columns: hands after. free: a rest or the end of a phrase between."""
        key = (id(one), id(two), class_of(seconds), slurred, free)
        if key not in self._known:
            if len(self._known) >= MOST_KEPT:
                self._known.clear()
            haste = max(0.0, (QUICK - STANDS_FOR[key[2]]) / QUICK)
            total = self._shift(one, two, haste, free)
            total = total + self._cross(one, two, haste, slurred=slurred, free=free)
            total = total + self._one_finger(one, two, free)
            self._known[key] = total + self._order(one, two, free)
        return self._known[key]

    def _shift(self, one: Hands, two: Hands, haste: float, free: bool) -> Matrix:
        cost = self._cost
        moved = two.base[None] - one.base[:, None]
        far = np.abs(moved)
        found = np.where(far == 1, cost["shift_one"], cost["shift"] + cost["shift_far"] * far)
        found = np.where(far == 0, 0.0, found)
        if self._instrument is Instrument.CELLO:
            found = self._opened(one, two, moved, found)
        eased = one.is_open[:, None] | two.is_open[None] | free
        found = found * np.where(eased, cost["shift_free"], 1.0)
        found = found * (1 + cost["shift_fast"] * haste)
        leads = (one.finger[:, None] == two.finger[None]) & (one.finger[:, None] > 0)
        leads &= (one.highest[:, None] == two.highest[None]) & (far > 1)
        found = found - np.where(leads, cost["same_finger"], 0.0)
        return np.asarray(found - np.where(self._by_first(one, two, moved), cost["by_first"], 0.0))

    def _by_first(self, one: Hands, two: Hands, moved: Matrix) -> Matrix:
        """Up to the first finger, down from it: the others then lie where they lay before."""
        up = (moved > 1) & (two.finger[None] == 1) & (one.finger[:, None] > 1)
        down = (moved < -1) & (one.finger[:, None] == 1) & (two.finger[None] > 1)
        return np.asarray(up | down)

    def _opened(self, one: Hands, two: Hands, moved: Matrix, found: Matrix) -> Matrix:
        """The cello's hand opens by drawing back its first finger, and closes again."""
        cost = self._cost
        opens = two.wide[None] - one.wide[:, None]
        found = np.where(
            (opens != 0) & (np.abs(moved) == 1), cost["shift"] + cost["shift_far"], found
        )
        extension = ((opens == 1) & (moved == -1)) | ((opens == -1) & (moved == 1))
        both = (one.finger[:, None] >= 2) & (two.finger[None] >= 2)
        turned = cost["turning"] + cost["resetting"] * both
        found = np.where(extension, cost["opening"], found)
        return np.asarray(found + np.where((opens != 0) & (moved == 0), turned, 0.0))

    def _cross(self, one: Hands, two: Hands, haste: float, *, slurred: bool, free: bool) -> Matrix:
        cost = self._cost
        up = two.lowest[None] - one.highest[:, None]
        down = one.lowest[:, None] - two.highest[None]
        strings = np.maximum(0, np.maximum(up, down))
        each = cost["cross"] + cost["skip"] * (strings - 1) + cost["cross_fast"] * haste
        each = each + (cost["cross_slur"] if slurred else 0.0)
        return np.where(strings > 0, each * (cost["cross_free"] if free else 1.0), 0.0)

    def _one_finger(self, one: Hands, two: Hands, free: bool) -> Matrix:
        """One finger on two places from one note to the next while the hand stands still."""
        cost = self._cost
        still = one.base[:, None] == two.base[None]
        hop = cost["hop"] * (OF_A_HOP if free else 1.0)
        total = np.zeros(still.shape)
        for finger in range(1, THUMB + 1):
            from_string, to_string = one.on[finger][:, None], two.on[finger][None]
            level = one.at[finger][:, None] == two.at[finger][None]
            both = (from_string >= 0) & (to_string >= 0) & still
            across = both & (from_string != to_string)
            along = both & (from_string == to_string) & ~level
            total += np.where(across, hop * np.where(level, SAME_PLACE, 1.0), 0.0)
            total += np.where(along, cost["slide"], 0.0)
        return total

    def _order(self, one: Hands, two: Hands, free: bool) -> Matrix:
        """On one string: fingers in their order, and no farther apart than they are."""
        cost = self._cost
        before, after = one.finger[:, None], two.finger[None]
        same_string = one.highest[:, None] == two.highest[None]
        still = one.base[:, None] == two.base[None]
        step = two.semitones[None] - one.semitones[:, None]
        fingers = after - before
        total = np.where(
            same_string & (step == 0) & (fingers != 0),
            cost["swap"] * (OF_A_SWAP if free else 1.0),
            0.0,
        )
        stopped = same_string & still & (before > 0) & (after > 0)
        stopped &= (before < THUMB) & (after < THUMB)
        total += np.where(stopped & (np.sign(fingers) * np.sign(step) < 0), cost["order"], 0.0)
        if not self._instrument.is_held_up:
            return total
        far, apart = np.abs(step), np.abs(fingers)
        third_fourth = stopped & (apart == 1) & (np.maximum(before, after) == 4)
        total += np.where(third_fourth & (far == 1), cost["half_apart"], 0.0)
        total += np.where(stopped, cost["spread"] * np.maximum(0, far - HAND), 0.0)
        gaps = stopped & (((apart == 1) & (far >= 3)) | ((apart == 2) & (far >= 5)))
        total += np.where(gaps, cost["gap"], 0.0)
        return np.asarray(total - np.where(self._octaves(one, two), cost["octave_frame"], 0.0))

    def _octaves(self, one: Hands, two: Hands) -> Matrix:
        """From first to fourth on the next string, or back: the octave that frames the hand."""
        strings = two.highest[None] - one.highest[:, None]
        rise = two.semitones[None] - one.semitones[:, None]
        up = (strings == 1) & (rise == HAND) & (one.finger[:, None] == 1) & (two.finger[None] == 4)
        down = (
            (strings == -1) & (rise == -HAND) & (one.finger[:, None] == 4) & (two.finger[None] == 1)
        )
        return np.asarray(up | down)
