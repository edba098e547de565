"""Settings. What differs from one installation to the next comes from the environment.

JOLF_DATA: folder of the database and the secret key (default: data/ beside the code).
JOLF_DATABASE: file name of the database inside it (default: studio.sqlite3).
JOLF_HOSTS: comma-separated host names the server answers to (default: this computer only).
JOLF_ADDRESS: where phones reach it, such as https://studio.example (default: as the teacher does).
JOLF_HTTPS: "1" when a proxy serves it over HTTPS.
JOLF_DEBUG: "1" for development only.
TZ: the time zone (default: that of the system).
"""

import os
import secrets
import sys
from pathlib import Path
from typing import Any

from config.data_folder import close_to_others, data_folder, database_path, secret_key
from config.zone import system_zone

BACKEND = Path(__file__).resolve().parent.parent
ROOT = BACKEND.parent
DATA = data_folder()
DATABASE_FILE = database_path()
close_to_others()
FRONTEND_BUILD = ROOT / "frontend" / "dist"

DEBUG = os.environ.get("JOLF_DEBUG") == "1"
HTTPS = os.environ.get("JOLF_HTTPS") == "1"
TESTING = "test" in sys.argv[1:2]


SECRET_KEY = secrets.token_urlsafe(50) if TESTING else secret_key()
ALLOWED_HOSTS = os.environ.get("JOLF_HOSTS", "localhost,127.0.0.1,[::1]").split(",")
# Where private links point to.
ADDRESS = os.environ.get("JOLF_ADDRESS", "").rstrip("/")

INSTALLED_APPS = [
    "django.contrib.auth",
    "django.contrib.contenttypes",
    "django.contrib.sessions",
    "django.contrib.staticfiles",
    "studio",
    "api",
]
MIDDLEWARE = [
    "django.middleware.security.SecurityMiddleware",
    "whitenoise.middleware.WhiteNoiseMiddleware",
    "django.middleware.gzip.GZipMiddleware",  # pads each answer, so that its length tells nothing
    "config.middleware.ApiMiddleware",
    "django.contrib.sessions.middleware.SessionMiddleware",
    "django.middleware.common.CommonMiddleware",
    "django.middleware.csrf.CsrfViewMiddleware",
    "django.contrib.auth.middleware.AuthenticationMiddleware",
    "django.middleware.clickjacking.XFrameOptionsMiddleware",
    "config.middleware.SlidingSessionMiddleware",
    "config.middleware.ContentSecurityPolicyMiddleware",
]
ROOT_URLCONF = "config.urls"
WSGI_APPLICATION = "config.wsgi.application"

DATABASES = {
    "default": {
        "ENGINE": "config.sqlite",
        "NAME": DATABASE_FILE,
        "OPTIONS": {
            "timeout": 3,
            "transaction_mode": "IMMEDIATE",
            # What was confirmed outlives a power cut, and what was erased is overwritten.
            "init_command": (
                "PRAGMA journal_mode=WAL; PRAGMA synchronous=FULL; PRAGMA secure_delete=ON;"
            ),
        },
        "CONN_MAX_AGE": None,
        # A file, so that the browser tests' server and the test have connections of their own.
        "TEST": {"NAME": DATA / "test.sqlite3"},
    }
}
DEFAULT_AUTO_FIELD = "django.db.models.BigAutoField"
AUTH_PASSWORD_VALIDATORS = [
    {"NAME": "django.contrib.auth.password_validation.UserAttributeSimilarityValidator"},
    {"NAME": "django.contrib.auth.password_validation.MinimumLengthValidator"},
    {"NAME": "django.contrib.auth.password_validation.CommonPasswordValidator"},
]

USE_TZ = True
TIME_ZONE = system_zone()
LANGUAGE_CODE = "en"
USE_I18N = False

STATIC_URL = "/static/"
STATICFILES_DIRS = [FRONTEND_BUILD] if FRONTEND_BUILD.exists() else []
STORAGES = {
    "default": {"BACKEND": "django.core.files.storage.FileSystemStorage"},
    "staticfiles": {
        # Vite has put a hash into every file name already.
        "BACKEND": "whitenoise.storage.CompressedStaticFilesStorage"
        if not TESTING
        else "django.contrib.staticfiles.storage.StaticFilesStorage"
    },
}
WHITENOISE_USE_FINDERS = True


def _is_immutable(_path: str, url: str) -> bool:
    return url.startswith("/static/assets/")


WHITENOISE_IMMUTABLE_FILE_TEST = _is_immutable

DATA_UPLOAD_MAX_MEMORY_SIZE = 1_000_000
# Recordings and pictures are never written to a file on their way.
FILE_UPLOAD_MAX_MEMORY_SIZE = 20_000_000
SESSION_COOKIE_HTTPONLY = True
SESSION_COOKIE_SAMESITE = "Lax"
CSRF_COOKIE_SAMESITE = "Lax"
X_FRAME_OPTIONS = "DENY"
SECURE_REFERRER_POLICY = "same-origin"
SESSION_COOKIE_SECURE = HTTPS
CSRF_COOKIE_SECURE = HTTPS
SECURE_SSL_REDIRECT = HTTPS
SECURE_PROXY_SSL_HEADER = ("HTTP_X_FORWARDED_PROTO", "https") if HTTPS else None
SECURE_HSTS_SECONDS = 31_536_000 if HTTPS else 0
SECURE_HSTS_INCLUDE_SUBDOMAINS = HTTPS
SECURE_HSTS_PRELOAD = HTTPS

NINJA_NUM_PROXIES = 1 if HTTPS else 0
# Each process of the server counts for itself, so each has its share of what is allowed in all.
PROCESSES = int(os.environ.get("JOLF_PROCESSES", "1"))
SIGN_IN_RATE_OF_NAME = f"{max(1, 10 // PROCESSES)}/m"
SIGN_IN_RATE_OF_ADDRESS = f"{max(1, 60 // PROCESSES)}/m"
# Of one link; an address may be that of a whole school.
HOME_ADDRESS_RATE = f"{max(1, 1200 // PROCESSES)}/m"
HOME_READ_RATE = f"{max(1, 120 // PROCESSES)}/m"
HOME_TELL_RATE = f"{max(1, 120 // PROCESSES)}/m"  # what waited for days comes all at once
HOME_TAKE_RATE = f"{max(1, 20 // PROCESSES)}/m"  # each is seconds of work
LOGGING: dict[str, Any] = {
    "version": 1,
    "disable_existing_loggers": False,
    "handlers": {
        "console": {
            "class": "config.testing.logs.KeptHandler" if TESTING else "logging.StreamHandler"
        }
    },
    "root": {"handlers": ["console"], "level": "WARNING"},
    "loggers": {
        "django.request": {"level": "ERROR"},
        "waitress.queue": {"level": "ERROR"},  # requests wait for a thread now and then
    },
}
if TESTING:
    LOGGING["loggers"]["django.server"] = {"handlers": ["console"], "propagate": False}
    DATA.mkdir(parents=True, exist_ok=True)
    TEST_RUNNER = "config.testing.runner.LongestFirstRunner"
    PASSWORD_HASHERS = ["django.contrib.auth.hashers.MD5PasswordHasher"]
