"""Reading one entry of a knowledge file field by field, with errors that name file and entry."""

from collections.abc import Iterator, Mapping
from enum import StrEnum
from pathlib import Path
from typing import Any, NoReturn, TypeVar

import yaml

from lefthand.errors import CatalogueError
from lefthand.vocabulary import Instrument

Choice = TypeVar("Choice", bound=StrEnum)
_MISSING: Any = object()


class Entry:
    """One named entry. Each reader takes its field; `done()` refuses what is left over."""

    def __init__(self, file: str, name: str, data: Mapping[str, Any]) -> None:
        self.file = file
        self.id = name
        self._left = dict(data)

    def fail(self, problem: str) -> NoReturn:
        raise CatalogueError(self.file, self.id, problem)

    def done(self) -> None:
        if self._left:
            self.fail(f"unknown field {sorted(self._left)[0]!r}")

    def rest(self) -> dict[str, Any]:
        """All fields that are left, whatever they are called."""
        left, self._left = self._left, {}
        return left

    def take(self, field: str, default: Any = _MISSING) -> Any:
        value = self._left.pop(field, default)
        if value is _MISSING:
            self.fail(f"{field}: missing")
        return value

    def text(self, field: str, default: Any = _MISSING) -> str:
        value = self.take(field, default)
        if not isinstance(value, str):
            self.fail(f"{field}: expected text, got {value!r}")
        return value.strip()

    def flag(self, field: str) -> bool:
        value = self.take(field, False)
        if not isinstance(value, bool):
            self.fail(f"{field}: expected true or false, got {value!r}")
        return value

    def number(
        self,
        field: str,
        *,
        low: float,
        high: float,
        whole: bool = False,
        default: Any = _MISSING,
    ) -> Any:
        value = self.take(field, default)
        if value is default:
            return value
        kinds = (int,) if whole else (int, float)
        if isinstance(value, bool) or not isinstance(value, kinds) or not low <= value <= high:
            self.fail(f"{field}: expected a number from {low} to {high}, got {value!r}")
        return value

    def words(self, field: str, default: Any = _MISSING) -> list[str]:
        value = self.take(field, default)
        if not isinstance(value, list | tuple) or not all(isinstance(v, str) for v in value):
            self.fail(f"{field}: expected a list of words, got {value!r}")
        return [str(v).strip() for v in value]

    def mapping(self, field: str, default: Any = _MISSING) -> dict[str, Any]:
        value = self.take(field, default)
        if not isinstance(value, dict):
            self.fail(f"{field}: expected a mapping, got {value!r}")
        return value

    def rows(self, field: str) -> Iterator["Entry"]:
        """The mappings of a list field, each an entry of its own."""
        value = self.take(field)
        if not isinstance(value, list) or not value:
            self.fail(f"{field}: expected a list with at least one entry")
        for index, row in enumerate(value, start=1):
            if not isinstance(row, dict):
                self.fail(f"{field} {index}: expected a mapping, got {row!r}")
            yield Entry(self.file, f"{self.id}.{field} {index}", row)

    def choice(self, field: str, options: type[Choice], default: Any = _MISSING) -> Choice:
        value = self.take(field, default)
        if value is default:
            return value  # type: ignore[no-any-return]
        try:
            return options(value)
        except ValueError:
            self.fail(f"{field}: {value!r} is not one of {', '.join(options)}")

    def instruments(self) -> frozenset[Instrument]:
        names = self.words("instruments", list(Instrument))
        unknown = [n for n in names if n not in set(Instrument)]
        if unknown or not names:
            self.fail(f"instruments: unknown instrument {unknown or names!r}")
        return frozenset(Instrument(n) for n in names)


def read_entries(path: Path) -> list[Entry]:
    """The entries of one YAML file: a mapping from id to fields. Raises CatalogueError."""
    try:
        data = yaml.load(path.read_text(encoding="utf-8"), Loader=_UniqueKeyLoader)  # noqa: S506 - a safe loader
    except FileNotFoundError as error:
        raise CatalogueError(path.name, "file", "missing") from error
    except yaml.YAMLError as error:
        raise CatalogueError(path.name, "file", " ".join(str(error).split())) from error
    if not isinstance(data, dict):
        raise CatalogueError(path.name, "file", "expected a mapping from id to fields")
    entries = []
    for name, fields in data.items():
        if not isinstance(fields, dict):
            raise CatalogueError(path.name, str(name), f"expected fields, got {fields!r}")
        entries.append(Entry(path.name, str(name), fields))
    return entries


class _UniqueKeyLoader(getattr(yaml, "CSafeLoader", yaml.SafeLoader)):  # type: ignore[misc]
    """YAML lets a later key silently replace an earlier one; a catalogue must not."""


def _unique_mapping(loader: Any, node: yaml.MappingNode) -> dict[Any, Any]:
    seen: dict[Any, Any] = {}
    for key_node, value_node in node.value:
        key = loader.construct_object(key_node, deep=True)
        if key in seen:
            raise yaml.constructor.ConstructorError(
                None, None, f"{key!r} stands twice", node.start_mark
            )
        seen[key] = loader.construct_object(value_node, deep=True)
    return seen


_UniqueKeyLoader.add_constructor(yaml.resolver.BaseResolver.DEFAULT_MAPPING_TAG, _unique_mapping)
