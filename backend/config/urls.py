"""Addresses: the API below /api, everything else is a page of the front end."""

from django.urls import path, re_path

from api.main import api, unknown_address
from config.pages import home_manifest, home_page, home_worker, page

urlpatterns = [
    path("api/", api.urls),
    re_path(r"^api/.*$", unknown_address),
    path("home/worker.js", home_worker),
    path("home/<str:token>", home_page),
    path("home/<str:token>/manifest.webmanifest", home_manifest),
    re_path(r"^(?!api/|static/).*$", page),
]
handler400 = "config.errors.bad_request"
handler403 = "config.errors.refused"
handler404 = "config.errors.not_found"
handler500 = "config.errors.failed"
