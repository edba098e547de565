"""What a hand and a neck are made of: lengths, thicknesses and ranges, read from the data."""

from collections.abc import Mapping
from dataclasses import dataclass
from functools import lru_cache
from pathlib import Path
from types import MappingProxyType
from typing import Any

from lefthand.drawing.vectors import Vector, vector
from lefthand.values.fields import read_number
from lefthand.values.knowledge_file import Record, read_records
from lefthand.values.vocabulary import FINGERS, Instrument

DATA = Path(__file__).parents[1] / "catalogue" / "knowledge" / "hand"


@dataclass(frozen=True, slots=True)
class FingerBones:
    """mm, in the frame of the hand: distal, to the thumb, to the palm."""

    knuckle: Vector
    root: Vector
    first: float
    middle: float
    last: float
    breadth: float


@dataclass(frozen=True, slots=True)
class ThumbBones:
    root: Vector
    hand_bone: float
    first: float
    last: float


@dataclass(frozen=True, slots=True)
class JointRange:
    """Degrees: what the joint does of itself, and how much farther it may be pushed."""

    low: float
    high: float
    yields: tuple[float, float]

    @property
    def least(self) -> float:
        return self.low - self.yields[0]

    @property
    def most(self) -> float:
        return self.high + self.yields[1]


# Rows of (place along the limb, radius, offset), mm.
Profile = tuple[tuple[float, float, float], ...]


@dataclass(frozen=True, slots=True)
class Anatomy:
    fingers: Mapping[int, FingerBones]
    thumb: ThumbBones
    finger_profile: Profile
    thumb_profile: Profile
    palm_profile: Profile
    forearm_profile: Profile
    ranges: Mapping[str, JointRange]


@dataclass(frozen=True, slots=True)
class NeckSize:
    """mm; pairs are at the nut and 100 mm farther on, or for the strings at nut and bridge."""

    string: float
    spread: tuple[float, float]
    width: tuple[float, float]
    depth: tuple[float, float]
    arch: float
    lift: tuple[float, float]
    neck: float


@lru_cache(maxsize=1)
def anatomy() -> Anatomy:
    """The hand of the data. Raises CatalogueError."""
    records = {record.id: record for record in read_records(DATA / "anatomy.yaml")}

    def profile(name: str) -> Profile:
        return tuple(_three(row) for row in records[f"{name} profile"].take("rows"))

    return Anatomy(
        MappingProxyType({n: _finger(records[f"finger {n}"]) for n in FINGERS}),
        _thumb(records["thumb"]),
        profile("finger"),
        profile("thumb"),
        profile("palm"),
        profile("forearm"),
        MappingProxyType({n: _range(v) for n, v in records["ranges"].rest().items()}),
    )


def _finger(record: Record) -> FingerBones:
    first, middle, last = _three(record.take("bones"))
    return FingerBones(
        vector(record.take("knuckle")),
        vector(record.take("root")),
        first,
        middle,
        last,
        record.number("breadth", 0.5, 1.5),
    )


def _thumb(record: Record) -> ThumbBones:
    return ThumbBones(vector(record.take("root")), *_three(record.take("bones")))


def _range(data: Any) -> JointRange:
    low, high = _two(data["range"])
    return JointRange(low, high, _two(data["yields"]))


def _two(values: Any) -> tuple[float, float]:
    one, two = (read_number("pair", value) for value in values)
    return one, two


def _three(values: Any) -> tuple[float, float, float]:
    one, two, three = (read_number("row", value) for value in values)
    return one, two, three


@lru_cache(maxsize=1)
def neck_sizes() -> Mapping[Instrument, NeckSize]:
    return MappingProxyType(
        {Instrument(r.id): _neck_size(r) for r in read_records(DATA / "necks.yaml")}
    )


def _neck_size(record: Record) -> NeckSize:
    def number(field: str) -> float:
        return float(record.number(field, 1, 1500))

    return NeckSize(
        string=number("string"),
        spread=(number("nut"), number("bridge")),
        width=_two(record.take("width")),
        depth=_two(record.take("depth")),
        arch=number("arch"),
        lift=_two(record.take("lift")),
        neck=number("neck"),
    )
