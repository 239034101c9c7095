"""Settings, from environment variables that begin with MAQUETA_."""

from pathlib import Path
from typing import Annotated

from pydantic import Field, ValidationError
from pydantic_settings import BaseSettings, SettingsConfigDict

from maqueta.confined import KERNEL_MEMORY, KERNEL_SECONDS, WAITED_SECONDS
from maqueta.store.files import FileStore, file_store


class SettingsError(Exception):
    """A setting that is none; the message is one clear line."""


class Settings(BaseSettings):
    """Where things are and how far they may go."""

    model_config = SettingsConfigDict(env_prefix="MAQUETA_")

    database_url: str | None = None
    #: Redis, by which work reaches workers on other machines; without it work is done in processes beside the server.
    queue_url: Annotated[str, Field(pattern="^rediss?://.")] | None = None
    #: A folder or bucket (`s3://bucket/prefix`) for files; `files` in the data folder without it.
    files_url: str | None = None
    #: Where the bucket is; with the provider of the usual environment variables without it.
    files_endpoint: str | None = None
    data: Path = Path("var")
    port: int = 8765
    frontend: Path = Path("frontend/dist")
    demo: bool = True
    #: Fixes the demo accounts' password instead of inventing one.
    demo_password: str | None = None
    #: Cookies travel over HTTPS only; off on loopback, where there is none.
    secure_cookies: bool = False
    largest_upload: int = 32 * 1024 * 1024
    largest_request: int = 2 * 1024 * 1024
    kernel_seconds: float = KERNEL_SECONDS
    #: For work somebody is waiting for: the builder's model, a variation, an export.
    preview_seconds: float = WAITED_SECONDS
    #: Whether parts in sizes of students' own are made as soon as they are set, instead of when they are asked for.
    parts_beforehand: bool = True
    #: For a sheet's file; a scan takes several times as long as a drawing.
    sheet_seconds: float = 30.0
    kernel_memory: int = KERNEL_MEMORY
    workers: int = 1
    #: Delivered sheets read at a time.
    sheet_readers: int = 2
    #: Sheets drawn and checked at a time.
    desks: int = 2
    #: How long drawing or checking one sheet may take (seconds); the largest sheet takes a small part of it.
    desk_seconds: float = 10.0
    #: Who shows this token may read the figures at /metrics; nobody where there is none.
    metrics_token: str | None = None
    #: At this hour of the night a backup is written to the data folder; none where there is no hour.
    backup_hour: int | None = 3


def from_environment() -> Settings:
    """The settings as the environment says. Raises SettingsError that names the variable."""
    try:
        return Settings()
    except ValidationError as error:
        first = error.errors()[0]
        raise SettingsError(f"MAQUETA_{str(first['loc'][0]).upper()}: {first['msg']}.") from error


def files_of(settings: Settings) -> FileStore:
    """Where the files of a service are kept. Raises ValueError for an address that is none."""
    return file_store(settings.files_url, settings.files_endpoint, settings.data)
