"""The server as `./jolf serve` starts it: behind a proxy that speaks HTTPS, closed to others."""

import importlib.util
import json
import os
import socket
import subprocess
import sys
import tempfile
import time
from importlib.machinery import SourceFileLoader
from pathlib import Path
from unittest import TestCase, mock
from urllib.error import HTTPError, URLError
from urllib.request import HTTPRedirectHandler, Request, build_opener

from django.contrib.auth import get_user_model
from django.test import Client
from django.test import TestCase as DatabaseCase

from api.hands.present import hand_text
from config.command_line import free_port, server_command
from config.serve import warm_up
from lefthand.values.vocabulary import Instrument

BACKEND = Path(__file__).resolve().parents[2]


def load_jolf():
    loader = SourceFileLoader("jolf_command", str(BACKEND.parent / "jolf"))
    module = importlib.util.module_from_spec(
        importlib.util.spec_from_loader("jolf_command", loader)
    )
    loader.exec_module(module)
    return module


class WarmUp(DatabaseCase):
    def test_the_hand_that_a_lesson_opens_with_is_drawn_before_anybody_asks(self):
        hand_text.cache_clear()
        warm_up()
        drawn = hand_text.cache_info().currsize
        self.assertEqual(drawn, len(Instrument))
        teacher = get_user_model().objects.create_user("teacher", password="quiet-hands-7")
        self.client.force_login(teacher)
        answer = self.client.get("/api/hands/one", {"instrument": "vn"})
        self.assertEqual(answer.status_code, 200)
        self.assertEqual(hand_text.cache_info().currsize, drawn)


class NoRedirect(HTTPRedirectHandler):
    def redirect_request(self, *_arguments):
        return None


class BehindProxy(TestCase):
    @classmethod
    def setUpClass(cls):
        super().setUpClass()
        folder = tempfile.TemporaryDirectory()
        cls.addClassCleanup(folder.cleanup)
        cls.folder = Path(folder.name) / "data"
        cls.env = {**os.environ, "JOLF_DATA": str(cls.folder), "JOLF_HTTPS": "1"}
        subprocess.run(
            [sys.executable, "manage.py", "update_database"], cwd=BACKEND, env=cls.env, check=True
        )

    def setUp(self):
        port = free_port(0)
        command = server_command(port)
        self.server = subprocess.Popen(
            command, cwd=BACKEND, env=self.env, stdout=subprocess.DEVNULL
        )
        self.addCleanup(self.server.wait)
        self.addCleanup(self.server.terminate)
        self.port = port
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

    def test_two_hundred_idle_connections_keep_nobody_out(self):
        self.ask()
        idle = [socket.create_connection(("127.0.0.1", self.port)) for _ in range(200)]
        slow = [socket.create_connection(("127.0.0.1", self.port)) for _ in range(50)]
        try:
            for each in slow:
                each.sendall(b"POST /api/session HTTP/1.1\r\nContent-Length: 900\r\n")
            self.assertEqual(self.ask(**{"X-Forwarded-Proto": "https"})[0], 200)
        finally:
            for each in (*idle, *slow):
                each.close()

    def test_a_body_over_the_servers_own_limit_gets_the_one_error_body(self):
        self.ask()
        with socket.create_connection(("127.0.0.1", self.port)) as sent:
            sent.sendall(
                b"POST /api/players/file HTTP/1.1\r\nHost: localhost\r\n"
                b"Content-Length: 99999999999\r\n\r\n"
            )
            answer = b"".join(iter(lambda: sent.recv(4096), b""))
        head, _, body = answer.partition(b"\r\n\r\n")
        self.assertIn(b" 413 ", head.splitlines()[0])
        self.assertEqual(json.loads(body)["code"], "too_large")

    def test_stopping_the_server_stops_all_of_its_processes(self):
        self.ask()
        self.server.terminate()
        self.server.wait(timeout=20)
        with self.assertRaises(ConnectionRefusedError):
            socket.create_connection(("127.0.0.1", self.port))


class NodeFromPyPI(TestCase):
    def test_a_computer_without_node_builds_the_pages_with_that_from_the_index(self):
        jolf = load_jolf()
        with tempfile.TemporaryDirectory() as made:
            env = {"PATH": "", "JOLF_DIST": made}
            with mock.patch.dict(os.environ, env):
                self.assertFalse(jolf.has_node())
                jolf.npm("run", "--silent", "build")
            self.assertIn("<title>Jolf</title>", (Path(made) / "index.html").read_text())


class Headers(TestCase):
    def test_no_answer_of_the_api_is_kept_on_the_way(self):
        for path in ("/api/nothing", "/api/catalogue"):
            self.assertEqual(Client().get(path)["Cache-Control"], "no-store")
