"""Sizes of instruments and the string lengths to start from."""

from collections.abc import Mapping
from types import MappingProxyType

from lefthand.values.fields import read_number
from lefthand.values.knowledge_file import Record

# Nut to bridge, mm: from less than the smallest violin to more than the largest bass.
STRING_LENGTHS = (150, 1300)


def read_sizes(record: Record) -> Mapping[str, float]:
    """One instrument's sizes, the largest first, each with its string length in mm. Raises
    CatalogueError naming the record."""
    sizes = record.mapping("sizes")
    for size, length in sizes.items():
        if not isinstance(length, int | float) or not _is_possible(length):
            record.fail(f"sizes.{size}: expected mm, got {length!r}")
    if list(sizes.values()) != sorted(sizes.values(), reverse=True):
        record.fail("sizes: expected the largest first")
    record.done()
    return MappingProxyType({str(size): read_number(size, sizes[size]) for size in sizes})


def _is_possible(length: float) -> bool:
    return STRING_LENGTHS[0] <= length <= STRING_LENGTHS[1]
