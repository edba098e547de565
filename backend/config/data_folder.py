"""Where this installation keeps its data: the database and the secret key."""

import os
import secrets
from contextlib import suppress
from pathlib import Path

import platformdirs
from django.core.exceptions import ImproperlyConfigured

ROOT = Path(__file__).resolve().parent.parent.parent
SHORTEST_KEY = 40


def data_folder() -> Path:
    """The folder that JOLF_DATA names; else data/ beside the code of a checkout, or the user's own
    data folder for an installed package."""
    named = os.environ.get("JOLF_DATA")
    if named:
        return Path(named)
    is_checkout = (ROOT / "pyproject.toml").exists()
    return ROOT / "data" if is_checkout else platformdirs.user_data_path("jolf", appauthor=False)


def database_path() -> Path:
    return data_folder() / (os.environ.get("JOLF_DATABASE") or "studio.sqlite3")


def secret_key() -> str:
    """The key of this installation, made whole on first use. Raises ImproperlyConfigured for one
    that is empty or half-written; it is not overwritten."""
    path = data_folder() / "secret.key"
    if not path.exists():
        _make_key(path)
    key = path.read_text(encoding="ascii", errors="replace").strip()
    if len(key) < SHORTEST_KEY or not key.isascii():
        raise ImproperlyConfigured(
            f"{path} is empty or half-written; delete it and start again (all sign in anew)"
        )
    return key


def close_to_others() -> None:
    """What is made from now on is readable by this user alone; the data folder is, too."""
    os.umask(0o077)
    folder = data_folder()
    with suppress(OSError):  # a folder of somebody else, which they have opened to us
        folder.mkdir(parents=True, exist_ok=True)
        folder.chmod(0o700)


def _make_key(path: Path) -> None:
    path.parent.mkdir(parents=True, exist_ok=True)
    part = path.with_name(f".{path.name}.{os.getpid()}")
    with os.fdopen(os.open(part, os.O_WRONLY | os.O_CREAT | os.O_EXCL, 0o600), "w") as file:
        file.write(secrets.token_urlsafe(50))
        file.flush()
        os.fsync(file.fileno())
    try:
        os.link(part, path)  # who comes second keeps the key of the first
    except FileExistsError:
        pass
    except OSError:
        part.replace(path)  # a file system without links
    finally:
        part.unlink(missing_ok=True)
