"""A part of the catalogue by id, which also answers to the ids of earlier releases."""

from collections.abc import Iterator, Mapping
from typing import TypeVar

Kind = TypeVar("Kind")


class Named(Mapping[str, Kind]):
    """Reads like a dict of today's ids; an id that was renamed finds what it is called now.

    `aliases`: earlier id to today's. Iterating gives today's ids only.
    """

    def __init__(
        self, entries: Mapping[str, Kind], aliases: Mapping[str, str] | None = None
    ) -> None:
        self._entries = dict(entries)
        self._aliases = dict(aliases or {})

    def __getitem__(self, key: str) -> Kind:
        return self._entries[self._aliases.get(key, key)]

    def __contains__(self, key: object) -> bool:
        return self._aliases.get(key, key) in self._entries if isinstance(key, str) else False

    def __iter__(self) -> Iterator[str]:
        return iter(self._entries)

    def __len__(self) -> int:
        return len(self._entries)
