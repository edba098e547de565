"""The two pages of the front end, studio and home; each finds its own way from the address."""

from django.conf import settings
from django.http import HttpRequest, HttpResponse, JsonResponse
from django.urls import reverse
from django.utils.html import escape
from django.views.decorators.cache import never_cache
from django.views.decorators.csrf import ensure_csrf_cookie
from django.views.decorators.http import require_safe

NOT_BUILT = "The front end is not built yet. Run ./jolf demo or ./jolf serve, which build it."

# The ground of the page by day, as in frontend/src/tokens.ts.
PAPER = "#f6f1e7"


@require_safe
@never_cache
@ensure_csrf_cookie
def page(_request: HttpRequest) -> HttpResponse:
    return _built("index.html")


@require_safe
@never_cache
def home_page(_request: HttpRequest, token: str) -> HttpResponse:
    """The page behind a private link. It sets no cookie; search engines are asked to stay out."""
    response = _built("home.html")
    manifest = escape(reverse(home_manifest, kwargs={"token": token}))
    link = f'<link rel="manifest" href="{manifest}" />'
    response.content = response.content.replace(b"<!-- manifest -->", link.encode())
    response["X-Robots-Tag"] = "noindex, nofollow, noarchive"
    return response


@require_safe
def home_manifest(_request: HttpRequest, token: str) -> HttpResponse:
    """Name and mark of a week on the home screen of a phone (W3C Web Application Manifest). It
    opens the link it was kept from, and names no player: a home screen is seen by many."""
    start = reverse(home_page, kwargs={"token": token})
    manifest = {
        "name": "Practice week",
        "short_name": "Practice",
        "id": start,
        "start_url": start,
        "scope": start,
        "display": "standalone",
        "background_color": PAPER,
        "theme_color": PAPER,
        "icons": [
            {"src": _static("mark.svg"), "type": "image/svg+xml", "sizes": "any"},
            {
                "src": _static("mark-512.png"),
                "type": "image/png",
                "sizes": "512x512",
                "purpose": "any maskable",
            },
        ],
    }
    return JsonResponse(manifest, content_type="application/manifest+json")


def _static(name: str) -> str:
    return f"{settings.STATIC_URL}{name}"


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
