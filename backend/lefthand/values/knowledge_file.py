"""Knowledge files: YAML mappings from id to fields, read record by record."""

from collections.abc import Iterable, Iterator
from pathlib import Path
from typing import Any, NoReturn

import yaml

from lefthand.values.errors import CatalogueError, InputError
from lefthand.values.fields import Fields
from lefthand.values.vocabulary import Instrument

FILL_IN = "FILL IN"


class Record(Fields):
    """One named record of a file; an error names both."""

    def __init__(self, file: str, name: str, data: Any) -> None:
        self.file = file
        self.id = name
        try:
            super().__init__(data)
        except InputError:
            self.fail(f"expected fields, got {data!r}")

    def fail(self, problem: str) -> NoReturn:
        raise CatalogueError(self.file, self.id, problem)

    def refuse(self, field: str, problem: str) -> NoReturn:
        self.fail(f"{field}: {problem}")

    def rest(self) -> dict[str, Any]:
        """All fields that are left, whatever they are called."""
        left, self._left = self._left, {}
        return left

    def rows(self, field: str) -> Iterator["Record"]:
        """The mappings of a list field, each a record of its own."""
        value = self.take(field)
        if not isinstance(value, list) or not value:
            self.refuse(field, "expected a list with at least one row")
        for index, row in enumerate(value, start=1):
            yield Record(self.file, f"{self.id}.{field} {index}", row)

    def instruments(
        self, field: str = "instruments", default: Any = tuple(Instrument)
    ) -> frozenset[Instrument]:
        names = self.words(field, list(default))
        unknown = [n for n in names if n not in set(Instrument)]
        if unknown or (default and not names):
            self.refuse(field, f"unknown instrument {unknown or names!r}")
        return frozenset(Instrument(n) for n in names)


def read_records(path: Path) -> list[Record]:
    """The records of one YAML file. Raises CatalogueError."""
    try:
        data = yaml.load(path.read_text(encoding="utf-8"), Loader=_UniqueKeyLoader)  # noqa: S506 - a safe loader
    except FileNotFoundError as error:
        raise CatalogueError(path.name, "file", "missing") from error
    except yaml.YAMLError as error:
        raise CatalogueError(path.name, "file", " ".join(str(error).split())) from error
    if not isinstance(data, dict):
        raise CatalogueError(path.name, "file", "expected a mapping from id to fields")
    for name, fields in data.items():
        if (field := _unfilled(fields)) is not None:
            raise CatalogueError(path.name, str(name), f"{field}: is still to be filled in")
    return [Record(path.name, str(name), fields) for name, fields in data.items()]


def _unfilled(value: Any, field: str = "") -> str | None:
    """The first field that a skeleton has left open."""
    if value == FILL_IN:
        return field
    rows: Iterable[tuple[Any, Any]] = ()
    if isinstance(value, dict):
        rows = value.items()
    elif isinstance(value, list):
        rows = ((field, each) for each in value)
    for name, each in rows:
        found = str(name) if name == FILL_IN else _unfilled(each, str(name))
        if found is not None:
            return field if found == FILL_IN else found
    return None


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
