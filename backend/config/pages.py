"""The two pages of the front end, studio and home; each finds its own way from the address."""

from django.conf import settings
from django.http import HttpRequest, HttpResponse
from django.views.decorators.cache import never_cache
from django.views.decorators.csrf import ensure_csrf_cookie
from django.views.decorators.http import require_safe

NOT_BUILT = "The front end is not built yet. Run ./jolf demo or ./jolf serve, which build it."


@require_safe
@never_cache
@ensure_csrf_cookie
def page(_request: HttpRequest) -> HttpResponse:
    return _built("index.html")


@require_safe
@never_cache
def home_page(_request: HttpRequest, **_address: str) -> HttpResponse:
    """The page behind a private link. It sets no cookie; search engines are asked to stay out."""
    response = _built("home.html")
    response["X-Robots-Tag"] = "noindex, nofollow, noarchive"
    return response


@require_safe
@never_cache
def home_worker(_request: HttpRequest) -> HttpResponse:
    """The script that keeps an opened week for when there is no network. It stands below /home/,
    so that it can reach no other page."""
    return _built("home-worker.js", "text/javascript")


def _built(name: str, content_type: str = "text/html; charset=utf-8") -> HttpResponse:
    path = settings.FRONTEND_BUILD / name
    if not path.exists():
        return HttpResponse(NOT_BUILT, status=503, content_type="text/plain")
    return HttpResponse(path.read_text(encoding="utf-8"), content_type=content_type)
