"""Which bones lean towards or away from the camera, by how short they look."""

import math
from collections.abc import Mapping, Sequence

from lefthand.picture.points import FINGER_CHAIN, Points
from lefthand.values.vocabulary import FINGERS

# Mean lengths of first, middle and last bone, the last with its pulp, mm (Buryanov and Kotiuk,
# 2010, from memory, not looked up).
BONES: Mapping[int, tuple[float, float, float]] = {
    1: (39.8, 22.4, 19.6),
    2: (44.6, 26.3, 21.3),
    3: (41.4, 25.7, 21.2),
    4: (32.7, 18.1, 19.7),
}
# Hands differ from the mean; a bone that looks this share of its length or more counts as flat.
LOOKS_FLAT = 0.8


class Leaning:
    """How far each bone leans out of the plane of a picture.

    The scale of the picture is taken from the bone that looks longest for its kind, so a hand that
    leans as a whole is not noticed.
    """

    def __init__(self, points: Points) -> None:
        seen: dict[tuple[int, str], float] = {}
        for finger in FINGERS:
            for start, end, usual in zip(
                FINGER_CHAIN, FINGER_CHAIN[1:], BONES[finger], strict=False
            ):
                path = points.path(f"{finger}.{start}", f"{finger}.{end}")
                if path is not None:
                    seen[finger, start] = path[0].to(path[1]).length / usual
        self._seen = seen
        self._scale = max(seen.values(), default=0.0)

    def lean(self, finger: int, start: str) -> float:
        """Degrees out of the plane of the bone that begins at this joint, 0 where it looks flat."""
        share = self._seen[finger, start] / self._scale
        return 0.0 if share >= LOOKS_FLAT else math.degrees(math.acos(share))

    def may_be_off(self, finger: int, places: Sequence[str], seen: float) -> float:
        """Degrees by which the true angle at a joint may differ from the one seen: the spherical
        law of cosines for two bones that lean the same or the opposite way."""
        leans = [math.radians(self.lean(finger, place)) for place in places[:2]]
        if not any(leans):
            return 0.0
        one, other = leans
        flat = math.cos(one) * math.cos(other) * math.cos(math.radians(seen))
        depth = math.sin(one) * math.sin(other)
        possible = [
            math.degrees(math.acos(max(-1.0, min(1.0, flat + way * depth)))) for way in (1, -1)
        ]
        return max(abs(angle - abs(seen)) for angle in possible)
