"""Write the API's OpenAPI file, from which the front end's client is generated."""

import json
from pathlib import Path
from typing import Any

from django.core.management.base import BaseCommand

from api.main import api

OPENAPI_FILE = Path(__file__).resolve().parents[2] / "openapi.json"


def openapi_text() -> str:
    """The schema as sorted JSON, the same on every machine."""
    return json.dumps(api.get_openapi_schema(), indent=1, sort_keys=True) + "\n"


class Command(BaseCommand):
    help = __doc__

    def handle(self, *_args: Any, **_options: Any) -> None:
        OPENAPI_FILE.write_text(openapi_text(), encoding="utf-8")
        self.stdout.write(f"Wrote {OPENAPI_FILE}")
