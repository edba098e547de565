"""What every answer gets: the content security policy, one form of errors, HEAD as GET."""

from collections.abc import Callable

from django.conf import settings
from django.contrib.sessions.backends.base import UpdateError
from django.db import DatabaseError
from django.http import HttpRequest, HttpResponse
from django.utils import timezone

from api.errors import BY_STATUS, error_answer

# Nothing from anywhere else, no inline scripts.
# Mantine sets its theme with style elements, so inline styles are allowed; scripts are not.
POLICY = "; ".join(
    [
        "default-src 'self'",
        "script-src 'self'",
        "style-src 'self' 'unsafe-inline'",
        "img-src 'self' data: blob:",
        "media-src 'self' blob:",
        "font-src 'self'",
        "connect-src 'self'",
        "object-src 'none'",
        "base-uri 'none'",
        "form-action 'self'",
        "frame-ancestors 'none'",
    ]
)


class ContentSecurityPolicyMiddleware:
    def __init__(self, get_response: Callable[[HttpRequest], HttpResponse]) -> None:
        self.get_response = get_response

    def __call__(self, request: HttpRequest) -> HttpResponse:
        response = self.get_response(request)
        response.headers.setdefault("Content-Security-Policy", POLICY)
        return response


class ApiMiddleware:
    """Below /api/: HEAD is answered like GET, and errors that no route has worded get the one
    body."""

    def __init__(self, get_response: Callable[[HttpRequest], HttpResponse]) -> None:
        self.get_response = get_response

    def __call__(self, request: HttpRequest) -> HttpResponse:
        if not request.path_info.startswith("/api/"):
            return self.get_response(request)
        is_head = request.method == "HEAD"
        if is_head:
            request.method = "GET"
        response = self.get_response(request)
        is_worded = response.headers.get("Content-Type", "").startswith("application/json")
        if response.status_code >= 400 and not is_worded:
            allow = response.headers.get("Allow")
            response = error_answer(BY_STATUS.get(response.status_code, "bad_input"))
            if allow:
                response["Allow"] = allow
        # Records of children are kept by no browser and no proxy on the way.
        response.headers.setdefault("Cache-Control", "no-store")
        if is_head:
            response.content = b""
        return response


class SlidingSessionMiddleware:
    """A session in use does not end: once a day its time begins anew."""

    def __init__(self, get_response: Callable[[HttpRequest], HttpResponse]) -> None:
        self.get_response = get_response

    def __call__(self, request: HttpRequest) -> HttpResponse:
        response = self.get_response(request)
        if settings.SESSION_COOKIE_NAME in request.COOKIES and request.user.is_authenticated:
            today = timezone.localdate().isoformat()
            if request.session.get(LAST_SEEN) != today:
                _renew(request, today)
        return response


def _renew(request: HttpRequest, today: str) -> None:
    """Begin the session's time anew; not while nothing can be written or once it has ended."""
    request.session[LAST_SEEN] = today
    try:
        request.session.save()
    except (DatabaseError, UpdateError):
        request.session.modified = False


LAST_SEEN = "last_seen"
