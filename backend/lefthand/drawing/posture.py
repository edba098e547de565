"""From signs and grades to the numbers of a posture.

Every sign adds its changes to the hand at ease. Where several change the same number, the strongest
up and the strongest down count whole and the others a third, so that three signs of one trouble do
not bend a joint three times. What no hand can do is cut off.
"""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from functools import lru_cache
from types import MappingProxyType
from typing import Any

from lefthand.drawing.anatomy import DATA
from lefthand.drawing.vectors import clamped
from lefthand.values.errors import CatalogueError
from lefthand.values.fields import read_number
from lefthand.values.knowledge_file import Record, read_records
from lefthand.values.vocabulary import FINGERS, Instrument

GRADES = 3
REST_COUNTS = 1 / 3
AIMED = 4  # the finger a sign is drawn on where none is named
FINGER_NUMBERS = (
    *("string", "x", "dip", "fan"),
    *("pad", "side", "hover", "mcp", "pip", "last", "straight", "press", "drop", "shift", "length"),
)
AT_REST = 0.15  # touching point of a fingertip at ease
Numbers = dict[str, float]

# Furthest a number may go, whatever is added up.
LIMITS: Mapping[str, tuple[float, float]] = MappingProxyType(
    {
        "dip": (-45, 75),
        "pad": (0, 1),
        "mcp": (-34, 20),
        "pip": (-50, 44),
        "last": (-45, 30),
        "straight": (0, 1),
        "press": (0, 1),
        "hover": (0, 30),
        "side": (-9, 9),
        "length": (-0.25, 0.1),
        "thumb.ip": (-32, 80),
        "thumb.pad": (0, 2.4),
        "thumb.pale": (0, 1),
        "thumb.angle": (-30, 170),
        "thumb.rise": (-6, 13),
        "web.shut": (0, 1),
        "index.dig": (0, 1),
        "hand.roll": (-24, 36),
        "hand.yaw": (-14, 18),
        "elbow.z": (-330, 170),
        "elbow.x": (40, 470),
        "scene.tilt": (0, 25),
    }
)
THUMB_WAY = "thumb_place"
PITCH = {"shoulder": (-42.0, 26.0), "standing": (-52.0, 14.0)}


@dataclass(frozen=True, slots=True)
class Sign:
    """Something seen. Grades 0 to 3; parts of one are allowed, for a hand between two lessons."""

    evidence: str
    grade: float
    finger: int | None = None


@dataclass(frozen=True, slots=True)
class Posture:
    """The numbers of one hand; fingers by number, the rest by name such as `thumb.ip`."""

    instrument: Instrument
    scale: float
    numbers: Mapping[str, float]
    fingers: Mapping[int, Mapping[str, float]]

    def __getitem__(self, name: str) -> float:
        return self.numbers[name]


def family_of(instrument: Instrument) -> str:
    return "shoulder" if instrument.is_held_up else "standing"


Changes = Mapping[str, tuple[float, float, float]]


@dataclass(frozen=True, slots=True)
class SignPosture:
    """`changes` and `shown` by family. `shown`: how a small picture is cut: `near` its place,
    `along` the neck, `whole` or with the `arm`. `free`: two poses instead, not there and strong,
    for what is looked at away from the instrument."""

    changes: Mapping[str, Changes]
    shown: Mapping[str, str]
    free: tuple[str, str] | None


@lru_cache(maxsize=1)
def postures() -> Mapping[str, SignPosture]:
    """By sign or movement. Raises CatalogueError."""
    return MappingProxyType({r.id: read_posture(r) for r in read_records(DATA / "postures.yaml")})


def read_posture(record: Record) -> SignPosture:
    """One sign's changes. Raises CatalogueError."""
    usual = record.text("show", "near")
    shown = {"shoulder": usual, "standing": record.text("standing_show", usual)}
    if not set(shown.values()) <= {"near", "along", "whole", "arm"}:
        record.fail("show: expected near, along, whole or arm")
    both = record.mapping("both", {})
    families = {family: {**both, **record.mapping(family, {})} for family in shown}
    free = two_poses(record)
    record.done()
    for path in {path for paths in families.values() for path in paths}:
        if not _is_known(path):
            record.fail(f"{path}: no such number of a hand")
    changes = {
        family: {path: _amounts(record.id, path, values) for path, values in paths.items()}
        for family, paths in families.items()
        if paths
    }
    return SignPosture(changes, shown, free)


def two_poses(record: Record) -> tuple[str, str] | None:
    """The names of two poses away from the instrument, where a record has them."""
    names = record.words("free", [])
    if not names:
        return None
    if len(names) != 2:
        record.fail(f"free: expected two poses, got {len(names)}")
    return names[0], names[1]


def _is_known(path: str) -> bool:
    head, _, name = path.partition(".")
    if head in ("finger", "each", "idle") or head in {str(n) for n in FINGERS}:
        return name in FINGER_NUMBERS
    return path in _neutral()[Instrument.VIOLIN].numbers


def _amounts(sign: str, path: str, values: Any) -> tuple[float, float, float]:
    if not isinstance(values, list) or len(values) != GRADES:
        raise CatalogueError("postures.yaml", sign, f"{path}: expected three amounts")
    slight, clear, strong = (read_number(path, value) for value in values)
    return slight, clear, strong


def is_drawn(evidence: str, instrument: Instrument) -> bool:
    """True for a sign that the drawn hand can take on."""
    found = postures().get(evidence)
    return found is not None and family_of(instrument) in found.changes


@dataclass(frozen=True, slots=True)
class _AtEase:
    """`thumbs`: by place of the thumb in other ways of teaching, the numbers that differ."""

    scale: float
    numbers: Numbers
    fingers: dict[int, Numbers]
    thumbs: Mapping[str, Numbers]


@lru_cache(maxsize=1)
def _neutral() -> Mapping[str, _AtEase]:
    found = {}
    for record in read_records(DATA / "neutral.yaml"):
        numbers = {
            f"{group}.{name}": float(value)
            for group in ("hand", "thumb", "elbow")
            for name, value in record.mapping(group).items()
        }
        extra = (
            "thumb.off",
            "thumb.pale",
            "web.shut",
            "index.dig",
            "hard.ball",
            "hard.back",
            "scene.tilt",
        )
        numbers.update(dict.fromkeys(extra, 0.0))
        fingers = {}
        for n, row in record.mapping("fingers").items():
            finger = dict.fromkeys(FINGER_NUMBERS, 0.0)
            finger.update(zip(("string", "x", "dip", "fan"), map(float, row), strict=True))
            finger["pad"] = AT_REST
            fingers[int(n)] = finger
        thumbs = {
            place: {f"thumb.{name}": float(value) for name, value in numbers.items()}
            for place, numbers in record.mapping("thumbs", {}).items()
        }
        scale = record.number("scale", 0.5, 1.5)
        found[record.id] = _AtEase(scale, numbers, fingers, thumbs)
    return MappingProxyType(found)


def posture_of(
    instrument: Instrument,
    signs: Iterable[Sign] = (),
    *,
    hand: float = 1.0,
    playing: int | None = None,
    thumb: str = "",
) -> Posture:
    """The hand of that instrument with these signs. `hand` scales hand and neck apart from each
    other: 0.9 is a small hand on this neck. `playing` is the finger that is not idle; the first
    where none is named. `thumb`: one of `thumb_places`, or the usual place. A sign that cannot be
    drawn changes nothing."""
    family = family_of(instrument)
    at_ease = _neutral()[instrument]
    numbers = {**at_ease.numbers, **at_ease.thumbs.get(thumb, {})}
    fingers = {n: dict(finger) for n, finger in at_ease.fingers.items()}
    asked: dict[str, list[float]] = {}
    for sign in signs:
        known = postures().get(sign.evidence)
        for path, amounts in (known.changes.get(family, {}) if known else {}).items():
            for place in _places(path, sign.finger, playing or 1):
                asked.setdefault(place, []).append(_blend(amounts, sign.grade))
    for path, changes in asked.items():
        up, down = max(0.0, *changes), min(0.0, *changes)
        change = up + down + (sum(changes) - up - down) * REST_COUNTS
        head, _, name = path.partition(".")
        if head.isdigit():
            fingers[int(head)][name] += change
        else:
            numbers[path] += change
    return _within_limits(Posture(instrument, at_ease.scale * hand, numbers, fingers))


def thumb_places(instrument: Instrument) -> frozenset[str]:
    """Places of the thumb apart from the usual one."""
    return frozenset(_neutral()[instrument].thumbs)


def thumb_of(instrument: Instrument, ways: Mapping[str, str]) -> str:
    """Where the thumb stands by these ways of teaching; "" for the usual place."""
    place = ways.get(THUMB_WAY, "")
    return place if place in thumb_places(instrument) else ""


def _places(path: str, finger: int | None, playing: int) -> list[str]:
    head, _, name = path.partition(".")
    if head == "finger":
        return [f"{finger or AIMED}.{name}"]
    if head == "each":
        return [f"{n}.{name}" for n in FINGERS]
    if head == "idle":
        idle = [finger] if finger else [n for n in FINGERS if n != playing]
        return [f"{n}.{name}" for n in idle]
    return [path]


def _blend(amounts: tuple[float, float, float], grade: float) -> float:
    """The amount at a grade; between two grades it lies between them."""
    steps = (0.0, *amounts)
    at = clamped(grade, 0, GRADES)
    low = min(int(at), GRADES - 1)
    return steps[low] + (steps[low + 1] - steps[low]) * (at - low)


def _within_limits(posture: Posture) -> Posture:
    limits = {**LIMITS, "hand.pitch": PITCH[family_of(posture.instrument)]}
    numbers = {name: clamped(v, *limits.get(name, (v, v))) for name, v in posture.numbers.items()}
    fingers = {}
    for n, finger in posture.fingers.items():
        kept = {name: clamped(v, *limits.get(name, (v, v))) for name, v in finger.items()}
        if kept["straight"] > 0 or kept["press"] > 0:  # it plays, so it is down
            kept.update(hover=0.0, mcp=0.0, pip=0.0, last=0.0)
        fingers[n] = kept
    return Posture(posture.instrument, posture.scale, numbers, fingers)
