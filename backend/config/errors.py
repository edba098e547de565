"""What is answered when nothing else answers: the one error body below /api/, a line elsewhere."""

import sys
from typing import Any

from django.http import HttpRequest, HttpResponse

from api.errors import code_of, error_answer
from studio.errors import MESSAGES


def _answer(request: HttpRequest, code: str) -> HttpResponse:
    answer = error_answer(code)
    if request.path.startswith("/api/"):
        return answer
    page = HttpResponse(MESSAGES[code], status=answer.status_code, content_type="text/plain")
    for name in ("Retry-After",):
        if name in answer:
            page[name] = answer[name]
    return page


def bad_request(request: HttpRequest, exception: Exception) -> HttpResponse:  # noqa: ARG001 - Django's shape
    return _answer(request, "bad_input")


def refused(request: HttpRequest, exception: Exception) -> HttpResponse:  # noqa: ARG001 - Django's shape
    return _answer(request, "refused")


def not_found(request: HttpRequest, exception: Exception) -> HttpResponse:  # noqa: ARG001 - Django's shape
    return _answer(request, "not_found")


def failed(request: HttpRequest, **_more: Any) -> HttpResponse:
    """Called while the exception is being handled; a locked or full disk is told apart."""
    return _answer(request, code_of(sys.exc_info()[1]))
