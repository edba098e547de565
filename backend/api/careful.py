"""Reading what comes in: JSON of plain values only, each refusal with the field that is to
blame."""

import json
import math
import re
import unicodedata
from typing import Any, cast

from django.http import HttpRequest
from django.utils.datastructures import MultiValueDict
from ninja.files import UploadedFile
from ninja.parser import Parser

from api.uploads import bytes_of
from lefthand.values.errors import InputError

LARGEST_NUMBER = 2**53
LONGEST_TEXT = 20_000
LARGEST_FILE = 40_000_000
DEEPEST = 20
# A picture in a player file, as base64; whoever reads it sees what it is.
IMAGE = re.compile(r"pictures\.\d+\.image")
LONGEST_IMAGE = 4_000_004
FORBIDDEN = ("Cc", "Cs", "Cn")  # control characters, halves of pairs, no characters at all
ALLOWED = "\n\r\t"


class CarefulParser(Parser):
    """Refuses what no field of this API can mean and what a database or a page cannot hold."""

    def parse_body(self, request: HttpRequest) -> dict[str, Any]:
        try:
            data = json.loads(request.body)
        except (ValueError, RecursionError) as error:
            raise InputError("body", "is not JSON") from error
        check_plain("", data)
        return cast(dict[str, Any], data)

    def parse_querydict(
        self,
        data: MultiValueDict[str, Any],
        list_fields: list[str],
        request: HttpRequest,
    ) -> dict[str, Any]:
        found = super().parse_querydict(data, list_fields, request)
        check_plain("", {name: each for name, each in found.items() if isinstance(each, str)})
        return found


def json_of(file: UploadedFile) -> Any:
    """The plain JSON in an uploaded file. Raises InputError, and StudioError for its size."""
    try:
        data = json.loads(bytes_of(file, LARGEST_FILE))
    except (ValueError, RecursionError) as error:
        raise InputError("file", "is not JSON") from error
    check_plain("", data)
    return data


def check_plain(where: str, value: Any, depth: int = 0) -> None:
    """Raise InputError for text with control characters or halves of pairs, numbers beyond 2**53,
    infinities, and nesting of more than twenty levels."""
    if depth > DEEPEST:
        raise InputError(_name(where), f"is nested more than {DEEPEST} times")
    if isinstance(value, str) and IMAGE.fullmatch(where) and value.isascii():
        if len(value) > LONGEST_IMAGE:
            raise InputError(where, f"expected at most {LONGEST_IMAGE} characters")
    elif isinstance(value, str):
        _check_text(_name(where), value)
    elif isinstance(value, int | float) and not _is_plain_number(value):
        raise InputError(_name(where), "expected a number of usual size")
    elif isinstance(value, dict):
        for key, each in value.items():
            _check_text(_name(where), key)
            check_plain(f"{where}.{key}" if where else key, each, depth + 1)
    elif isinstance(value, list):
        for number, each in enumerate(value, start=1):
            check_plain(f"{where}.{number}" if where else str(number), each, depth + 1)


def _name(where: str) -> str:
    return where[:100] or "body"


def _check_text(where: str, text: str) -> None:
    if len(text) > LONGEST_TEXT:
        raise InputError(where, f"expected at most {LONGEST_TEXT} characters")
    if any(unicodedata.category(c) in FORBIDDEN and c not in ALLOWED for c in text):
        raise InputError(where, "has a character that cannot be kept")


def _is_plain_number(value: float) -> bool:
    return abs(value) <= LARGEST_NUMBER if isinstance(value, int) else _is_plain_float(value)


def _is_plain_float(value: float) -> bool:
    return math.isfinite(value) and abs(value) <= LARGEST_NUMBER
