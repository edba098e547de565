"""Checks of single values in decoded JSON. Each raises InputError naming the field."""

import math
from collections.abc import Mapping
from enum import StrEnum
from typing import Any, TypeVar

from lefthand.errors import InputError

Choice = TypeVar("Choice", bound=StrEnum)


def check_mapping(field: str, value: Any) -> Mapping[str, Any]:
    if not isinstance(value, Mapping):
        raise InputError(field or "case", f"expected an object, got {_short(value)}")
    return value


def check_number(
    field: str, value: Any, low: float = -math.inf, high: float = math.inf, whole: bool = False
) -> float:
    """A finite number in low..high; whole numbers only where asked. True and False are refused."""
    is_number = isinstance(value, int | float) and not isinstance(value, bool)
    if not is_number or not math.isfinite(value) or not low <= value <= high:
        raise InputError(field, f"expected {_range(low, high, whole)}, got {_short(value)}")
    if whole and value != int(value):
        raise InputError(field, f"expected {_range(low, high, whole)}, got {_short(value)}")
    return float(value)


def check_flag(field: str, value: Any) -> bool:
    if not isinstance(value, bool):
        raise InputError(field, f"expected true or false, got {_short(value)}")
    return value


def check_words(field: str, value: Any) -> list[str]:
    if not isinstance(value, list | tuple) or not all(isinstance(v, str) for v in value):
        raise InputError(field, f"expected a list of words, got {_short(value)}")
    return list(value)


def check_choice(field: str, value: Any, options: type[Choice]) -> Choice:
    if not isinstance(value, str) or value not in set(options):
        raise InputError(field, f"{_short(value)} is not one of {', '.join(options)}")
    return options(value)


def _range(low: float, high: float, whole: bool) -> str:
    kind = "a whole number" if whole else "a number"
    if math.isinf(low) and math.isinf(high):
        return kind
    return f"{kind} from {low:g} to {high:g}"


def _short(value: Any) -> str:
    text = repr(value).replace("\n", " ")
    return text if len(text) <= 60 else text[:57] + "..."
