"""A studio as it is served for real: the server behind a proxy that speaks HTTPS."""

import os
import shutil
import subprocess
import sys
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path

from config.command_line import free_port

BACKEND = Path(__file__).resolve().parents[1]
# As in docs/serving.md, with a certificate of its own and all files in one folder.
SITE = """
daemon off; pid {folder}/pid; error_log {folder}/errors.log; worker_processes 1;
events {{}}
http {{
  access_log off; client_max_body_size 12m;
  client_body_temp_path {folder}/body; proxy_temp_path {folder}/proxy;
  fastcgi_temp_path {folder}/fastcgi; uwsgi_temp_path {folder}/uwsgi; scgi_temp_path {folder}/scgi;
  server {{
    listen 127.0.0.1:{port} ssl; server_name localhost;
    ssl_certificate {folder}/cert.pem; ssl_certificate_key {folder}/key.pem;
    location / {{
      proxy_pass http://127.0.0.1:{behind};
      proxy_set_header Host $http_host;
      proxy_set_header X-Forwarded-Proto $scheme;
      proxy_set_header X-Forwarded-For $proxy_add_x_forwarded_for;
    }}
  }}
}}
"""


def nginx() -> str | None:
    return shutil.which("nginx") or shutil.which("nginx", path="/usr/sbin:/sbin")


class Proxy:
    """nginx in front of a server; `stop` takes it away."""

    def __init__(self, folder: Path, behind: int) -> None:
        port = free_port(0)
        subprocess.run(
            ["openssl", "req", "-x509", "-newkey", "rsa:2048", "-nodes", "-days", "2", "-subj",
             "/CN=localhost", "-addext", "subjectAltName=DNS:localhost",
             "-keyout", folder / "key.pem", "-out", folder / "cert.pem"],
            check=True, capture_output=True,
        )  # fmt: skip
        site = folder / "nginx.conf"
        site.write_text(SITE.format(folder=folder, port=port, behind=behind))
        self.address = f"https://localhost:{port}"
        self._process = subprocess.Popen([str(nginx()), "-c", str(site), "-p", str(folder)])

    def stop(self) -> None:
        self._process.terminate()
        self._process.wait()


@contextmanager
def demo_behind_https(folder: Path) -> Iterator[Proxy]:
    """The demo studio behind a proxy."""
    env = {**os.environ, "JOLF_DATA": str(folder), "JOLF_HTTPS": "1", "JOLF_HOSTS": "localhost"}
    for command in (["update_database"], ["demo", "--weeks", "0"]):
        subprocess.run(
            [sys.executable, "manage.py", *command],
            cwd=BACKEND, env=env, check=True, stdout=subprocess.DEVNULL,
        )  # fmt: skip
    port = free_port(0)
    command = [sys.executable, "-m", "config.serve", "--listen", f"127.0.0.1:{port}"]
    server = subprocess.Popen(command, cwd=BACKEND, env=env, stderr=subprocess.DEVNULL)
    proxy = Proxy(folder, port)
    try:
        yield proxy
    finally:
        proxy.stop()
        server.terminate()
        server.wait()
