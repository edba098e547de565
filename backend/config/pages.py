"""The one HTML page of the front end, which finds its own way from the address."""

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
    index = settings.FRONTEND_BUILD / "index.html"
    if not index.exists():
        return HttpResponse(NOT_BUILT, status=503, content_type="text/plain")
    return HttpResponse(index.read_text(encoding="utf-8"))
