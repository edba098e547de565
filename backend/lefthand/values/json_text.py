"""JSON from a file or a line."""

import json
from pathlib import Path
from typing import Any

from lefthand.values.errors import InputError


def read_json(path: Path) -> Any:
    """What a file holds. Raises InputError for a missing file, other text or broken JSON."""
    try:
        text = path.read_text(encoding="utf-8")
    except OSError as error:
        raise InputError(str(path), f"cannot be read ({error.strerror})") from error
    except UnicodeDecodeError as error:
        raise InputError(str(path), "is not UTF-8 text") from error
    return parse_json(text, str(path))


def parse_json(text: str, where: str) -> Any:
    """Decoded JSON. Raises InputError naming `where` it stood."""
    try:
        return json.loads(text)
    except (ValueError, RecursionError) as error:
        raise InputError(where, f"is not JSON ({error})") from error
