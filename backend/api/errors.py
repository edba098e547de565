"""One error body for everything: `code`, `message` and the `fields` that are to blame."""

import logging
import math
from functools import partial
from typing import Any

from django.core.exceptions import ObjectDoesNotExist, RequestDataTooBig
from django.db import DatabaseError, OperationalError
from django.http import Http404, HttpRequest, HttpResponse, JsonResponse, UnreadablePostError
from ninja import NinjaAPI, Schema
from ninja.errors import AuthenticationError, HttpError, Throttled, ValidationError

from lefthand.values.errors import InputError
from studio.errors import MESSAGES, StudioError
from studio.keeping.line import InLineError

STATUS = {
    "not_found": 404,
    "bad_input": 422,
    "paused": 409,
    "question_open": 409,
    "conflict": 409,
    "link_gone": 410,
    "nothing_to_undo": 409,
    "given_up": 409,
    "leave_needed": 409,
    "not_allowed": 405,
    "too_large": 413,
    "sign_in_failed": 401,
    "sign_in_needed": 401,
    "slow_down": 429,
    "refused": 403,
    "busy": 503,
    "in_line": 503,
    "storage": 503,
    "failed": 500,
}
BY_STATUS = {401: "sign_in_needed", 403: "refused", 404: "not_found", 405: "not_allowed",
             413: "too_large", 429: "slow_down", 503: "busy"}  # fmt: skip
BUSY_SECONDS = "3"
AGAIN_SECONDS = "2"
BEFORE_YOU = "Jolf-Before-You"  # how many are in line
log = logging.getLogger("jolf.api")


class FieldProblem(Schema):
    """One field that is to blame, by its path, and what is wrong with it."""

    field: str
    problem: str


class ErrorOut(Schema):
    """The one body of every refusal. `code`: from the table of messages; `message`: for the
    teacher."""

    code: str
    message: str
    fields: list[FieldProblem]


def error_body(code: str, fields: list[tuple[str, str]] | None = None) -> dict[str, Any]:
    """The body that `ErrorOut` describes."""
    return {
        "code": code,
        "message": MESSAGES[code],
        "fields": [{"field": f, "problem": p} for f, p in fields or []],
    }


def error_answer(code: str, fields: list[tuple[str, str]] | None = None) -> HttpResponse:
    """The body with its status, by the code."""
    answer = JsonResponse(error_body(code, fields), status=STATUS[code])
    if code in ("busy", "storage"):
        answer["Retry-After"] = BUSY_SECONDS
    return answer


def code_of(error: BaseException | None) -> str:
    """What an exception that nobody expected says to the user."""
    if isinstance(error, OperationalError) and "lock" in str(error):
        return "busy"
    if isinstance(error, DatabaseError | OSError):
        return "storage"
    return "failed"


WORDED: dict[type[Exception], str] = {
    AuthenticationError: "sign_in_needed",
    Http404: "not_found",
    ObjectDoesNotExist: "not_found",
    RequestDataTooBig: "too_large",
    UnreadablePostError: "bad_input",
}


def _worded(_request: HttpRequest, _error: Exception, *, code: str) -> HttpResponse:
    return error_answer(code)


def install_handlers(api: NinjaAPI) -> None:
    """Turn every error that can leave a route into the one body."""

    @api.exception_handler(StudioError)
    def _studio(_request: HttpRequest, error: StudioError) -> HttpResponse:
        answer = error_answer(error.code, [(error.field, error.problem)] if error.problem else [])
        if isinstance(error, InLineError):
            answer["Retry-After"] = AGAIN_SECONDS
            answer[BEFORE_YOU] = str(error.before)
        return answer

    @api.exception_handler(InputError)
    def _input(_request: HttpRequest, error: InputError) -> HttpResponse:
        return error_answer("bad_input", [(error.field, error.problem)])

    @api.exception_handler(ValidationError)
    def _validation(_request: HttpRequest, error: ValidationError) -> HttpResponse:
        fields = [(".".join(str(p) for p in e["loc"][1:]), str(e["msg"])) for e in error.errors]
        return error_answer("bad_input", fields)

    for kind, code in WORDED.items():
        api.add_exception_handler(kind, partial(_worded, code=code))

    @api.exception_handler(Throttled)
    def _throttled(_request: HttpRequest, error: Throttled) -> HttpResponse:
        answer = error_answer("slow_down")
        answer["Retry-After"] = str(math.ceil(error.wait or 1))
        return answer

    @api.exception_handler(DatabaseError)
    def _database(_request: HttpRequest, error: DatabaseError) -> HttpResponse:
        log.exception("the database refused")
        return error_answer(code_of(error))

    @api.exception_handler(HttpError)
    def _http(_request: HttpRequest, error: HttpError) -> HttpResponse:
        cause = error.__cause__
        if isinstance(cause, InputError):
            return error_answer("bad_input", [(cause.field, cause.problem)])
        return error_answer(BY_STATUS.get(error.status_code, "bad_input"))
