"""The HTTP surface: schemas, permissions and routes. What is decided, is decided below it."""

from typing import Any

from django.http import HttpRequest, HttpResponse
from ninja import NinjaAPI
from ninja.openapi.schema import OpenAPISchema
from ninja.security import django_auth

from api.careful import CarefulParser
from api.catalogue.routes import router as catalogue
from api.desk.holidays import router as holidays
from api.desk.kept import router as kept
from api.desk.routes import router as desk
from api.desk.studio import router as whole_studio
from api.drills.routes import router as drills
from api.errors import ErrorOut, error_answer, install_handlers
from api.groups.rounds import router as rounds
from api.groups.routes import router as groups
from api.groups.sheets import router as class_sheets
from api.hands.routes import router as hands
from api.home.routes import router as home
from api.lessons.routes import router as lessons
from api.letters.routes import router as letters
from api.notes.routes import router as notes
from api.pictures.routes import router as pictures
from api.pieces.routes import router as pieces
from api.players.leave import router as leave
from api.players.routes import router as players
from api.session.routes import router as session
from api.setups.routes import router as setups
from api.sheets.routes import router as sheets
from api.takes.routes import router as takes
from api.term.routes import router as term

ERRORS = {
    "4XX": "Refused: what was asked cannot be done, and why.",
    "503": "Busy, or the data folder cannot be used. Try again later.",
}


class StudioAPI(NinjaAPI):
    """Every operation also documents the one error body."""

    def get_openapi_schema(self, *args: Any, **more: Any) -> OpenAPISchema:
        schema = super().get_openapi_schema(*args, **more)
        reference = {"$ref": "#/components/schemas/ErrorOut"}
        content = {"application/json": {"schema": reference}}
        for operations in schema["paths"].values():
            for operation in operations.values():
                answers = {str(status): each for status, each in operation["responses"].items()}
                for status, words in ERRORS.items():
                    answers[status] = {"description": words, "content": content}
                operation["responses"] = answers
        schemas = schema["components"]["schemas"]
        body = ErrorOut.model_json_schema(ref_template="#/components/schemas/{model}")
        schemas.update(body.pop("$defs"))
        schemas["ErrorOut"] = body
        return schema


api = StudioAPI(
    title="Jolf",
    version="1",
    urls_namespace="jolf",
    auth=django_auth,
    docs_url=None,
    parser=CarefulParser(),
)
install_handlers(api)
api.add_router("/session", session)
api.add_router("/catalogue", catalogue)
api.add_router("/desk", desk)
api.add_router("/desk", kept)
api.add_router("/desk", holidays)
api.add_router("/desk", whole_studio)
api.add_router("/players", players)
api.add_router("/players", leave)
api.add_router("/players", term)
api.add_router("/players", setups)
api.add_router("/players", notes)
api.add_router("/players", pictures)
api.add_router("/drills", drills)
api.add_router("/groups", groups)
api.add_router("/groups", rounds)
api.add_router("/groups", class_sheets)
api.add_router("/hands", hands)
api.add_router("/home", home)
api.add_router("/letters", letters)
api.add_router("/lessons", lessons)
api.add_router("/lessons", sheets)
api.add_router("/lessons", takes)
api.add_router("/players", pieces)


def unknown_address(_request: HttpRequest, **_address: str) -> HttpResponse:
    """Any address below /api/ that is none."""
    return error_answer("not_found")
