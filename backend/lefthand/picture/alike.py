"""One picture laid over another: turned, scaled, moved and, seen from the other side, mirrored."""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass

from lefthand.picture.angles import PIXEL, flexion_way
from lefthand.picture.points import Point, Points


@dataclass(frozen=True, slots=True)
class Laid:
    """x' = a x + c y + e, y' = b x + d y + f: the order that SVG and CSS write a matrix in."""

    a: float
    b: float
    c: float
    d: float
    e: float
    f: float

    @property
    def is_mirrored(self) -> bool:
        return self.a * self.d - self.b * self.c < 0

    def __call__(self, point: Point) -> Point:
        return Point(
            self.a * point.x + self.c * point.y + self.e,
            self.b * point.x + self.d * point.y + self.f,
        )


def alike(picture: Points, other: Points) -> Laid | None:
    """How the first picture is laid so that its hand lies where the hand of the other does; None
    where they have no two points in common. It is mirrored where fingers bend the other way."""
    names = [name for name in picture.at if name in other.at]
    ways = flexion_way(picture) * flexion_way(other)
    return laid_over(
        [picture.at[name] for name in names],
        [other.at[name] for name in names],
        is_mirrored=ways < 0,
    )


def laid_over(
    moved: Sequence[Point], still: Sequence[Point], *, is_mirrored: bool = False
) -> Laid | None:
    """The similarity with the least squared distances between pairs of points (Umeyama, 1991; in
    the plane it is one complex factor). None for fewer than two points, or all within a pixel."""
    way = -1 if is_mirrored else 1
    old = _centred(Point(p.x, way * p.y) for p in moved)
    new = _centred(still)
    if old is None or new is None:
        return None
    (old_middle, old_rest), (new_middle, new_rest) = old, new
    size = sum(abs(each) ** 2 for each in old_rest)
    if size < PIXEL:
        return None
    pairs = zip(old_rest, new_rest, strict=True)
    factor = sum((o.conjugate() * n for o, n in pairs), 0j) / size
    if factor == 0:
        return None
    rest = new_middle - factor * old_middle
    a, b = factor.real, factor.imag
    return Laid(a, b, -b * way, a * way, rest.real, rest.imag)


def _centred(points: Iterable[Point]) -> tuple[complex, list[complex]] | None:
    places = [complex(p.x, p.y) for p in points]
    if len(places) < 2:
        return None
    middle = sum(places) / len(places)
    return middle, [place - middle for place in places]
