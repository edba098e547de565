"""A cable between browser and server that can be cut: a small forwarder on a port of its own.

The browser's own offline switch does not reach service workers; a closed port reaches everything.
"""

import socket
import threading
from contextlib import suppress

CHUNK = 65536


class Cable:
    """Forwards 127.0.0.1:`port` to the server until it is cut."""

    def __init__(self, server_port: int) -> None:
        self._server_port = server_port
        self._ends: list[socket.socket] = []
        self._listener: socket.socket | None = None
        self.port = 0
        self.mend()

    @property
    def address(self) -> str:
        return f"http://127.0.0.1:{self.port}"

    def mend(self) -> None:
        listener = socket.socket()
        listener.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
        listener.bind(("127.0.0.1", self.port))
        listener.listen()
        self.port = listener.getsockname()[1]
        self._listener = listener
        threading.Thread(target=self._accept, args=(listener,), daemon=True).start()

    def cut(self) -> None:
        for end in (self._listener, *self._ends):
            if end is not None:
                with suppress(OSError):
                    end.shutdown(socket.SHUT_RDWR)
                end.close()
        self._listener = None
        self._ends.clear()

    def _accept(self, listener: socket.socket) -> None:
        with suppress(OSError):
            while True:
                near, _ = listener.accept()
                far = socket.create_connection(("127.0.0.1", self._server_port))
                self._ends += [near, far]
                for source, sink in ((near, far), (far, near)):
                    threading.Thread(target=_pump, args=(source, sink), daemon=True).start()


def _pump(source: socket.socket, sink: socket.socket) -> None:
    with suppress(OSError):
        while data := source.recv(CHUNK):
            sink.sendall(data)
    with suppress(OSError):
        sink.shutdown(socket.SHUT_WR)
