"""Kinds of values that several routes take."""

from datetime import time
from typing import Annotated

from pydantic import AfterValidator, Field


def _without_zone(value: time) -> time:
    if value.tzinfo is not None:
        raise ValueError("expected a time without a zone")
    return value


WallTime = Annotated[time, AfterValidator(_without_zone)]
"""The player's own wall-clock time."""

RecordId = Annotated[int, Field(ge=0, le=2**53)]
"""A number of a record in a body."""
