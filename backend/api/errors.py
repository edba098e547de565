"""One error body for everything: `code`, `message` and the `fields` that are to blame."""

from django.http import Http404, HttpRequest, HttpResponse
from ninja import NinjaAPI, Schema
from ninja.errors import AuthenticationError, HttpError, Throttled, ValidationError

from lefthand.errors import InputError
from studio.errors import MESSAGES, StudioError

STATUS = {
    "not_found": 404,
    "bad_input": 422,
    "paused": 409,
    "link_gone": 410,
    "nothing_to_undo": 409,
    "sign_in_failed": 401,
    "sign_in_needed": 401,
    "slow_down": 429,
    "refused": 403,
}


class FieldProblem(Schema):
    field: str
    problem: str


class ErrorOut(Schema):
    code: str
    message: str
    fields: list[FieldProblem]


def install_handlers(api: NinjaAPI) -> None:
    """Turn every error that can leave a route into the one body."""

    def answer(request: HttpRequest, code: str, fields: list[tuple[str, str]]) -> HttpResponse:
        body = {
            "code": code,
            "message": MESSAGES[code],
            "fields": [{"field": f, "problem": p} for f, p in fields],
        }
        return api.create_response(request, body, status=STATUS[code])

    @api.exception_handler(StudioError)
    def _studio(request: HttpRequest, error: StudioError) -> HttpResponse:
        fields = [(error.field, error.problem)] if error.problem else []
        return answer(request, error.code, fields)

    @api.exception_handler(InputError)
    def _input(request: HttpRequest, error: InputError) -> HttpResponse:
        return answer(request, "bad_input", [(error.field, error.problem)])

    @api.exception_handler(ValidationError)
    def _validation(request: HttpRequest, error: ValidationError) -> HttpResponse:
        fields = [(".".join(str(p) for p in e["loc"][1:]), str(e["msg"])) for e in error.errors]
        return answer(request, "bad_input", fields)

    @api.exception_handler(AuthenticationError)
    def _sign_in(request: HttpRequest, _error: AuthenticationError) -> HttpResponse:
        return answer(request, "sign_in_needed", [])

    @api.exception_handler(Throttled)
    def _throttled(request: HttpRequest, _error: Throttled) -> HttpResponse:
        return answer(request, "slow_down", [])

    @api.exception_handler(Http404)
    def _missing(request: HttpRequest, _error: Http404) -> HttpResponse:
        return answer(request, "not_found", [])

    @api.exception_handler(HttpError)
    def _http(request: HttpRequest, error: HttpError) -> HttpResponse:
        code = "bad_input" if error.status_code in (400, 422) else "refused"
        return answer(request, code, [])
