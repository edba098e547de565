"""The server as `./jolf serve` starts it: behind a proxy that speaks HTTPS, closed to others."""

import importlib.util
import os
import subprocess
import tempfile
import time
from importlib.machinery import SourceFileLoader
from pathlib import Path
from unittest import TestCase
from urllib.error import HTTPError, URLError
from urllib.request import HTTPRedirectHandler, Request, build_opener

from django.test import Client

BACKEND = Path(__file__).resolve().parents[2]


def load_jolf():
    loader = SourceFileLoader("jolf_command", str(BACKEND.parent / "jolf"))
    module = importlib.util.module_from_spec(
        importlib.util.spec_from_loader("jolf_command", loader)
    )
    loader.exec_module(module)
    return module


class NoRedirect(HTTPRedirectHandler):
    def redirect_request(self, *_arguments):
        return None


class BehindProxy(TestCase):
    def setUp(self):
        jolf = load_jolf()
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.folder = Path(folder.name) / "data"
        env = {**os.environ, "JOLF_DATA": str(self.folder), "JOLF_HTTPS": "1"}
        subprocess.run(
            [jolf.PYTHON, "manage.py", "update_database"], cwd=BACKEND, env=env, check=True
        )
        port = jolf.free_port(0)
        command = jolf.server_command(port, https=True)
        self.server = subprocess.Popen(command, cwd=BACKEND, env=env, stdout=subprocess.DEVNULL)
        self.addCleanup(self.server.wait)
        self.addCleanup(self.server.terminate)
        self.address = f"http://127.0.0.1:{port}/api/session"

    def ask(self, **headers):
        """Status and headers of the first answer; the server may need a moment to start."""
        opener = build_opener(NoRedirect)
        for _ in range(100):
            try:
                request = Request(self.address, headers=headers)  # noqa: S310 - our own server
                with opener.open(request, timeout=10) as answer:
                    return answer.status, answer.headers
            except HTTPError as error:
                return error.code, error.headers
            except URLError:
                time.sleep(0.2)
        return None, None

    def test_what_the_proxy_was_asked_over_https_is_answered_and_the_rest_sent_there(self):
        status, headers = self.ask()
        self.assertEqual((status, headers["Location"][:6]), (301, "https:"))
        status, headers = self.ask(**{"X-Forwarded-Proto": "https", "X-Forwarded-For": "192.0.2.7"})
        self.assertEqual(status, 200)
        self.assertIn("Secure", headers["Set-Cookie"])
        self.assertIn("max-age", headers["Strict-Transport-Security"])
        self.assertEqual(headers["Cache-Control"], "no-store")
        self.assertEqual(self.folder.stat().st_mode & 0o777, 0o700)
        for path in self.folder.iterdir():
            if path.is_file():
                self.assertEqual(path.stat().st_mode & 0o077, 0, path.name)


class Headers(TestCase):
    def test_no_answer_of_the_api_is_kept_on_the_way(self):
        for path in ("/api/nothing", "/api/catalogue"):
            self.assertEqual(Client().get(path)["Cache-Control"], "no-store")
