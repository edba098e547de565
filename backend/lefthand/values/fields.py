"""Reading raw values, of YAML or of JSON: every reader gives a typed value or an error that names
the field.

The functions read one value and raise InputError. `Fields` reads an object field by field; a
subclass may tell its faults in another way.
"""

import math
from collections.abc import Callable, Collection, Mapping
from enum import StrEnum
from typing import Any, NoReturn, TypeVar

from lefthand.values.errors import InputError

Choice = TypeVar("Choice", bound=StrEnum)
Value = TypeVar("Value")
LARGEST = 10**300
REQUIRED: Any = object()


def read_mapping(field: str, value: Any) -> Mapping[str, Any]:
    if not isinstance(value, Mapping):
        raise InputError(field or "case", f"expected an object, got {short(value)}")
    return value


def read_number(
    field: str, value: Any, low: float = -math.inf, high: float = math.inf, whole: bool = False
) -> float:
    """A finite number in low..high; whole numbers only where asked. True and False are refused."""
    is_number = isinstance(value, int | float) and not isinstance(value, bool)
    if not is_number or not _is_usable(value) or not low <= value <= high:
        raise InputError(field, f"expected {_range(low, high, whole)}, got {short(value)}")
    if whole and value != int(value):
        raise InputError(field, f"expected {_range(low, high, whole)}, got {short(value)}")
    return float(value)


def read_whole(field: str, value: Any, low: int, high: int) -> int:
    """A whole number in low..high; 3.0 is one."""
    return int(read_number(field, value, low, high, whole=True))


def _is_usable(value: float) -> bool:
    """False for infinities and for whole numbers beyond what a float holds."""
    return abs(value) <= LARGEST if isinstance(value, int) else math.isfinite(value)


def read_flag(field: str, value: Any) -> bool:
    if not isinstance(value, bool):
        raise InputError(field, f"expected true or false, got {short(value)}")
    return value


def read_text(field: str, value: Any) -> str:
    if not isinstance(value, str):
        raise InputError(field, f"expected text, got {short(value)}")
    return value


def read_words(field: str, value: Any) -> list[str]:
    if not isinstance(value, list | tuple) or not all(isinstance(v, str) for v in value):
        raise InputError(field, f"expected a list of words, got {short(value)}")
    return list(value)


def read_one_of(field: str, value: Any, options: Collection[str]) -> str:
    """One of these words; an empty one is allowed where it stands among them, and not named."""
    if not isinstance(value, str) or value not in options:
        named = ", ".join(option for option in options if option)
        raise InputError(field, f"{short(value)} is not one of {named}")
    return value


def read_choice(field: str, value: Any, options: type[Choice]) -> Choice:
    return options(read_one_of(field, value, [option.value for option in options]))


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


class Fields:
    """The fields of one object, each taken once; `done()` refuses what is left over.

    A missing field gives its default, or an error when it has none.
    """

    def __init__(self, data: Any, at: str = "") -> None:
        self._left = dict(read_mapping(at, data))
        self._at = f"{at}." if at else ""

    def refuse(self, field: str, problem: str) -> NoReturn:
        """Raise the error for one field."""
        raise InputError(f"{self._at}{field}", problem)

    def done(self) -> None:
        if self._left:
            self.refuse(min(self._left, key=str), "unknown field")

    def __contains__(self, field: str) -> bool:
        return field in self._left

    def take(self, field: str, default: Any = REQUIRED) -> Any:
        """The raw value."""
        value = self._left.pop(field, default)
        if value is REQUIRED:
            self.refuse(field, "missing")
        return value

    def read(
        self, field: str, reader: Callable[..., Value], *limits: Any, default: Any = REQUIRED
    ) -> Value:
        """The value as `reader(field, value, *limits)` gives it; a default is taken as it is."""
        value = self.take(field, default)
        if value is default:
            return value  # type: ignore[no-any-return]
        try:
            return reader(field, value, *limits)
        except InputError as error:
            self.refuse(error.field, error.problem)

    def text(self, field: str, default: Any = REQUIRED) -> str:
        return self.read(field, read_text, default=default).strip()

    def flag(self, field: str, default: Any = False) -> bool:
        return self.read(field, read_flag, default=default)

    def number(self, field: str, low: float, high: float, default: Any = REQUIRED) -> Any:
        return self.read(field, read_number, low, high, default=default)

    def whole(self, field: str, low: int, high: int, default: Any = REQUIRED) -> Any:
        return self.read(field, read_whole, low, high, default=default)

    def words(self, field: str, default: Any = REQUIRED) -> list[str]:
        return [word.strip() for word in self.read(field, read_words, default=default)]

    def mapping(self, field: str, default: Any = REQUIRED) -> dict[str, Any]:
        return dict(self.read(field, read_mapping, default=default))

    def choice(self, field: str, options: type[Choice], default: Any = REQUIRED) -> Choice:
        chosen: Choice = self.read(field, read_choice, options, default=default)
        return chosen
