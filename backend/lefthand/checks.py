"""Checks of single values in decoded JSON. Each raises InputError naming the field."""

import math
from collections.abc import Collection, Mapping
from enum import StrEnum
from typing import Any, TypeVar

from lefthand.errors import InputError

Choice = TypeVar("Choice", bound=StrEnum)
LARGEST = 10**300


def check_mapping(field: str, value: Any) -> Mapping[str, Any]:
    if not isinstance(value, Mapping):
        raise InputError(field or "case", f"expected an object, got {short(value)}")
    return value


def check_number(
    field: str, value: Any, low: float = -math.inf, high: float = math.inf, whole: bool = False
) -> float:
    """A finite number in low..high; whole numbers only where asked. True and False are refused."""
    is_number = isinstance(value, int | float) and not isinstance(value, bool)
    if not is_number or not _is_usable(value) or not low <= value <= high:
        raise InputError(field, f"expected {_range(low, high, whole)}, got {short(value)}")
    if whole and value != int(value):
        raise InputError(field, f"expected {_range(low, high, whole)}, got {short(value)}")
    return float(value)


def _is_usable(value: float) -> bool:
    """False for infinities and for whole numbers beyond what a float holds."""
    return abs(value) <= LARGEST if isinstance(value, int) else math.isfinite(value)


def check_flag(field: str, value: Any) -> bool:
    if not isinstance(value, bool):
        raise InputError(field, f"expected true or false, got {short(value)}")
    return value


def check_words(field: str, value: Any) -> list[str]:
    if not isinstance(value, list | tuple) or not all(isinstance(v, str) for v in value):
        raise InputError(field, f"expected a list of words, got {short(value)}")
    return list(value)


def check_one_of(field: str, value: Any, options: Collection[str]) -> str:
    """One of these words; an empty one is allowed where it stands among them, and not named."""
    if not isinstance(value, str) or value not in options:
        named = ", ".join(option for option in options if option)
        raise InputError(field, f"{short(value)} is not one of {named}")
    return value


def check_choice(field: str, value: Any, options: type[Choice]) -> Choice:
    if not isinstance(value, str) or value not in set(options):
        raise InputError(field, f"{short(value)} is not one of {', '.join(options)}")
    return options(value)


def _range(low: float, high: float, whole: bool) -> str:
    kind = "a whole number" if whole else "a number"
    if math.isinf(low) and math.isinf(high):
        return kind
    return f"{kind} from {low:g} to {high:g}"


def short(value: Any) -> str:
    """A value as an error shows it, on one line of at most sixty characters."""
    if isinstance(value, int) and not isinstance(value, bool) and abs(value) > LARGEST:
        return "a very long number"
    text = repr(value).replace("\n", " ")
    return text if len(text) <= 60 else text[:57] + "..."
