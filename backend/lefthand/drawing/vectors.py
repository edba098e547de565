"""Small vectors: numpy arrays of three numbers."""

import math
from collections.abc import Sequence
from typing import Any

import numpy as np
from numpy.typing import NDArray

Vector = NDArray[np.float64]


def vector(values: Sequence[float] | Any) -> Vector:
    return np.array(values, dtype=float)


def length(v: Vector) -> float:
    return math.sqrt(float(v[0] * v[0] + v[1] * v[1] + v[2] * v[2]))


def unit(v: Vector) -> Vector:
    """The direction of v; v must not be zero."""
    return v / length(v)


def cross(a: Vector, b: Vector) -> Vector:
    # numpy's own takes ten times as long for three numbers
    return np.array(
        (
            a[1] * b[2] - a[2] * b[1],
            a[2] * b[0] - a[0] * b[2],
            a[0] * b[1] - a[1] * b[0],
        )
    )


def without(v: Vector, axis: Vector) -> Vector:
    """The part of v at right angles to a unit vector."""
    return v - (v @ axis) * axis


def turned(v: Vector, axis: Vector, degrees: float) -> Vector:
    """v turned about a unit vector, right-handed (Rodrigues' formula)."""
    angle = math.radians(degrees)
    cosine, sine = math.cos(angle), math.sin(angle)
    return v * cosine + cross(axis, v) * sine + axis * (float(axis @ v) * (1 - cosine))


def clamped(value: float, low: float, high: float) -> float:
    return min(high, max(low, value))
