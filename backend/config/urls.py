"""Addresses: the API below /api, everything else is a page of the front end."""

from django.urls import path, re_path

from api.main import api
from config.pages import home_page, home_worker, page

urlpatterns = [
    path("api/", api.urls),
    path("home/worker.js", home_worker),
    path("home/<str:token>", home_page),
    re_path(r"^(?!api/|static/).*$", page),
]
