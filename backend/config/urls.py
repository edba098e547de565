"""Addresses: the API below /api, everything else is a page of the front end."""

from django.urls import path, re_path

from api.main import api
from config.pages import page

urlpatterns = [
    path("api/", api.urls),
    re_path(r"^(?!api/|static/).*$", page),
]
