"""An own MariaDB server, reachable through a socket file only, with its data in one folder."""

import getpass
import hashlib
import os
import shutil
import subprocess
import tempfile
import time
from pathlib import Path
from urllib.parse import quote

import pymysql

_PATIENCE = 40.0


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

    @property
    def url(self) -> str:
        """SQLAlchemy address of the application's database."""
        user = quote(getpass.getuser())
        return f"mysql+pymysql://{user}@localhost/maqueta?unix_socket={self._socket}&charset=utf8mb4"

    @property
    def alive(self) -> bool:
        """Whether the process runs."""
        return self._process is not None and self._process.poll() is None

    @property
    def pid(self) -> int | None:
        """Process id while it runs."""
        return self._process.pid if self._process is not None and self.alive else None

    def start(self) -> None:
        """Create the data folder when it is new, start the server, wait until it answers, create the database."""
        server, installer = shutil.which("mariadbd"), shutil.which("mariadb-install-db")
        if server is None or installer is None:
            raise DatabaseServerError("MariaDB is not installed: the Debian package mariadb-server is missing")
        self._home.mkdir(mode=0o700, exist_ok=True)
        user = getpass.getuser()
        if not (self._data / "mysql").is_dir():
            self._install(installer, user)
        log = self._data / "server.log"
        with log.open("ab") as output:
            self._process = subprocess.Popen(
                [
                    server,
                    "--no-defaults",
                    f"--user={user}",
                    f"--datadir={self._data}",
                    f"--socket={self._socket}",
                    f"--pid-file={self._home / 'db.pid'}",
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
        result = subprocess.run(
            [
                installer,
                "--no-defaults",
                f"--user={user}",
                f"--datadir={fresh}",
                "--auth-root-authentication-method=socket",
                f"--auth-root-socket-user={user}",
                "--skip-test-db",
            ],
            capture_output=True,
            check=False,
        )
        if result.returncode != 0:
            shutil.rmtree(fresh, ignore_errors=True)
            reason = (result.stderr or result.stdout).decode(errors="replace").strip().splitlines()
            raise DatabaseServerError(f"MariaDB could not be set up: {reason[-1] if reason else 'no reason given'}")
        fresh.rename(self._data)

    def _wait(self, log: Path) -> None:
        deadline = time.monotonic() + _PATIENCE
        while time.monotonic() < deadline:
            if not self.alive:
                lines = [line for line in log.read_text(errors="replace").splitlines() if "[ERROR]" in line]
                raise DatabaseServerError(
                    f"MariaDB stopped while starting: {lines[-1] if lines else 'see ' + str(log)}"
                )
            try:
                with pymysql.connect(unix_socket=str(self._socket), user=getpass.getuser()) as connection:
                    connection.cursor().execute("CREATE DATABASE IF NOT EXISTS maqueta CHARACTER SET utf8mb4")
                return
            except pymysql.err.OperationalError:
                time.sleep(0.1)
        raise DatabaseServerError(f"MariaDB did not answer within {_PATIENCE:.0f} seconds")

    def stop(self) -> None:
        """Stop the server and wait for it."""
        if self._process is None:
            return
        if self.alive:
            self._process.terminate()
            try:
                self._process.wait(30)
            except subprocess.TimeoutExpired:
                self._process.kill()
                self._process.wait()
        shutil.rmtree(self._home, ignore_errors=True)
