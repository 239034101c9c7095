"""An own MariaDB server, reachable through a socket file only, with its data in one folder."""

import getpass
import hashlib
import os
import shutil
import signal
import subprocess
import tempfile
import time
from contextlib import suppress
from pathlib import Path
from urllib.parse import quote

import pymysql
from pymysql.connections import Connection

_PATIENCE = 40.0
#: How long a server that was left behind may take to answer, and any server to end when it is told to (seconds).
_LEFT_PATIENCE, _GENTLE = 5.0, 3.0
#: Seconds in which a server says the next word of a conversation.
_WORD = 2


class DatabaseServerError(Exception):
    """The database server cannot run; the message is one clear line."""


class MariaDB:
    """A `mariadbd` process. It opens no network port: `skip-networking`, socket readable by its user alone."""

    def __init__(self, data: Path) -> None:
        self._data = data.resolve()
        # Socket paths are limited to 107 characters, so it cannot live in a deep data folder.
        digest = hashlib.sha256(str(self._data).encode()).hexdigest()[:12]
        self._home = Path(tempfile.gettempdir()) / f"maqueta-{os.getuid()}-{digest}"
        self._socket = self._home / "db.sock"
        self._process: subprocess.Popen[bytes] | None = None
        # A server that an earlier run of Maqueta left behind, and that this one has taken over.
        self._found: int | None = None

    @property
    def url(self) -> str:
        """SQLAlchemy address of the application's database."""
        user = quote(getpass.getuser())
        return f"mysql+pymysql://{user}@localhost/maqueta?unix_socket={self._socket}&charset=utf8mb4"

    @property
    def alive(self) -> bool:
        """Whether the process runs."""
        if self._found is not None:
            return self._serves(self._found)
        return self._process is not None and self._process.poll() is None

    @property
    def reachable(self) -> bool:
        """Whether a server on this data folder answers just now, whoever started it."""
        try:
            self._connected().close()
        except pymysql.err.OperationalError:
            return False
        return True

    def _connected(self) -> Connection:
        # A server that hangs takes a connection and never says a word: every step has its time.
        return pymysql.connect(
            unix_socket=str(self._socket),
            user=getpass.getuser(),
            connect_timeout=_WORD,
            read_timeout=_WORD,
            write_timeout=_WORD,
        )

    @property
    def pid(self) -> int | None:
        """Process id while it runs."""
        if not self.alive:
            return None
        return self._found if self._process is None else self._process.pid

    def start(self) -> None:
        """Create the data folder when it is new, start the server, wait until it answers, create the database.

        A server that is left from a run that was killed is taken over; one that does not answer is ended first.
        """
        server, installer = shutil.which("mariadbd"), shutil.which("mariadb-install-db")
        if server is None or installer is None:
            raise DatabaseServerError("MariaDB is not installed: the Debian package mariadb-server is missing")
        self._home.mkdir(mode=0o700, exist_ok=True)
        user = getpass.getuser()
        if not (self._data / "mysql").is_dir():
            self._install(installer, user)
        log = self._data / "server.log"
        self._process, self._found = None, self._left_behind()
        if self._found is not None:
            if self._answers(_LEFT_PATIENCE):
                return
            self._end(self._found)
            self._found = None
        self._socket.unlink(missing_ok=True)
        with log.open("ab") as output:
            self._process = subprocess.Popen(
                [
                    server,
                    "--no-defaults",
                    f"--user={user}",
                    f"--datadir={self._data}",
                    f"--socket={self._socket}",
                    f"--pid-file={self._home / 'db.pid'}",
                    f"--tmpdir={self._home}",
                    "--skip-networking",
                    "--character-set-server=utf8mb4",
                    "--collation-server=utf8mb4_bin",
                    "--default-time-zone=+00:00",
                    "--max-allowed-packet=64M",
                    "--innodb-buffer-pool-size=128M",
                ],
                stdout=output,
                stderr=output,
                start_new_session=True,
            )
        self._wait(log)

    def _install(self, installer: str, user: str) -> None:
        self._data.parent.mkdir(parents=True, exist_ok=True)
        # Installed beside and moved into place, so that an interrupted installation leaves nothing half-made.
        fresh = Path(tempfile.mkdtemp(dir=self._data.parent, prefix="mariadb-new-"))
        command = [
            installer,
            "--no-defaults",
            f"--user={user}",
            f"--datadir={fresh}",
            "--auth-root-authentication-method=socket",
            f"--auth-root-socket-user={user}",
            "--skip-test-db",
        ]
        # Two installers that share a folder for temporary tables take each other's away.
        with tempfile.TemporaryDirectory() as scratch:
            result = subprocess.run(command, env={**os.environ, "TMPDIR": scratch}, capture_output=True, check=False)
        if result.returncode != 0:
            shutil.rmtree(fresh, ignore_errors=True)
            told = (result.stderr or result.stdout).decode(errors="replace").strip().splitlines()
            reason = next((line for line in told if line.startswith("ERROR")), told[-1] if told else "no reason given")
            raise DatabaseServerError(f"MariaDB could not be set up: {reason}")
        fresh.rename(self._data)

    def _serves(self, pid: int) -> bool:
        """Whether a process is a database server on this data folder, run by this user."""
        try:
            if Path(f"/proc/{pid}").stat().st_uid != os.getuid():
                return False
            words = Path(f"/proc/{pid}/cmdline").read_bytes().split(b"\0")
        except OSError:
            return False
        return f"--datadir={self._data}".encode() in words and _runs(pid)

    def _left_behind(self) -> int | None:
        """The process of a server on this data folder that another run has left."""
        pids = (int(entry.name) for entry in Path("/proc").iterdir() if entry.name.isdigit())
        return next((pid for pid in pids if self._serves(pid)), None)

    def _end(self, pid: int) -> None:
        """End a server of ours, gently and then not: its log brings the data back at the next start."""
        for sign, patience in ((signal.SIGTERM, _GENTLE), (signal.SIGKILL, _GENTLE)):
            with suppress(ProcessLookupError):
                os.kill(pid, sign)
            deadline = time.monotonic() + patience
            while time.monotonic() < deadline:
                if self._process is not None:
                    self._process.poll()
                # One that is ending has no words any more, and still holds its files.
                if not _runs(pid):
                    return
                time.sleep(0.02)
        raise DatabaseServerError(f"the database server (process {pid}) cannot be ended")

    def _answers(self, patience: float) -> bool:
        deadline = time.monotonic() + patience
        while time.monotonic() < deadline and self.alive:
            try:
                with self._connected() as database:
                    database.cursor().execute("CREATE DATABASE IF NOT EXISTS maqueta CHARACTER SET utf8mb4")
                return True
            except pymysql.err.OperationalError:
                time.sleep(0.1)
        return False

    def _wait(self, log: Path) -> None:
        if self._answers(_PATIENCE):
            return
        if not self.alive:
            lines = [line for line in log.read_text(errors="replace").splitlines() if "[ERROR]" in line]
            raise DatabaseServerError(f"MariaDB stopped while starting: {lines[-1] if lines else 'see ' + str(log)}")
        raise DatabaseServerError(f"MariaDB did not answer within {_PATIENCE:.0f} seconds")

    def stop(self) -> None:
        """Stop the server and wait for it."""
        pid = self.pid
        if pid is not None:
            self._end(pid)
        if self._process is not None or self._found is not None:
            self._process = self._found = None
            shutil.rmtree(self._home, ignore_errors=True)


def _runs(pid: int) -> bool:
    """Whether a process has not ended, whatever it still does."""
    try:
        return Path(f"/proc/{pid}/stat").read_text().rpartition(")")[2].split()[0] != "Z"
    except OSError:
        return False
