"""The HTTP surface: schemas, permissions and routes. What is decided, is decided below it."""

from ninja import NinjaAPI
from ninja.security import django_auth

from api.errors import install_handlers
from api.routes import catalogue, desk, drills, groups, home, lessons, players, session, sheets

api = NinjaAPI(title="Jolf", version="1", urls_namespace="jolf", auth=django_auth, docs_url=None)
install_handlers(api)
api.add_router("/session", session.router)
api.add_router("/catalogue", catalogue.router)
api.add_router("/desk", desk.router)
api.add_router("/players", players.router)
api.add_router("/drills", drills.router)
api.add_router("/groups", groups.router)
api.add_router("/home", home.router)
api.add_router("/lessons", lessons.router)
api.add_router("/lessons", sheets.router)
