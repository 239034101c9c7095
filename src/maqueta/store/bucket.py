"""Files by content hash in a bucket that many machines share; what is read is kept in a folder of each machine."""

from collections.abc import Iterator
from dataclasses import dataclass
from functools import lru_cache
from pathlib import Path
from typing import Any, Final
from urllib.parse import urlsplit

import boto3
from botocore.config import Config
from botocore.exceptions import BotoCoreError, ClientError

from maqueta.store.errors import FilesAway
from maqueta.store.files import FileStore

_PATIENCE: Final = 5
_GONE: Final = ("404", "NoSuchKey")


@dataclass(frozen=True)
class BucketStore(FileStore):
    """A bucket that is reached by the S3 protocol. Its folder holds copies only and may be emptied at any time.

    Who may enter is told by the usual environment variables (AWS_ACCESS_KEY_ID, AWS_SECRET_ACCESS_KEY).
    """

    bucket: str
    prefix: str
    endpoint: str | None

    def put(self, data: bytes) -> str:
        """Keep data; returns its name. Raises FilesAway."""
        name = super().put(data)
        try:
            if not self._kept(name):
                _client(self.endpoint).put_object(Bucket=self.bucket, Key=self._key(name), Body=data)
        except (BotoCoreError, ClientError) as error:
            raise FilesAway(f"the file could not be put into the bucket {self.bucket}: {error}") from error
        return name

    def path(self, name: str) -> Path:
        """A copy on this machine. Raises FileNotFoundError, FilesAway."""
        kept = self._place(name)
        if not kept.exists():
            self._written(name, self._fetched(name))
        return kept

    def remove(self, name: str) -> None:
        """Let go of a file for good, if it is there; copies on other machines go when they are emptied.

        Raises FilesAway.
        """
        super().remove(name)
        try:
            _client(self.endpoint).delete_object(Bucket=self.bucket, Key=self._key(name))
        except (BotoCoreError, ClientError) as error:
            raise FilesAway(f"the file could not be taken from the bucket {self.bucket}: {error}") from error

    def names(self) -> Iterator[str]:
        """The names of all files, in order. Raises FilesAway."""
        try:
            pages = _client(self.endpoint).get_paginator("list_objects_v2")
            for page in pages.paginate(Bucket=self.bucket, Prefix=self.prefix):
                yield from (entry["Key"].rsplit("/", 1)[-1] for entry in page.get("Contents", ()))
        except (BotoCoreError, ClientError) as error:
            raise FilesAway(f"the bucket {self.bucket} cannot be listed: {error}") from error

    def _key(self, name: str) -> str:
        return f"{self.prefix}{name[:2]}/{name}"

    def _kept(self, name: str) -> bool:
        try:
            _client(self.endpoint).head_object(Bucket=self.bucket, Key=self._key(name))
        except ClientError as error:
            if error.response["Error"]["Code"] in _GONE:
                return False
            raise
        return True

    def _fetched(self, name: str) -> bytes:
        try:
            data: bytes = _client(self.endpoint).get_object(Bucket=self.bucket, Key=self._key(name))["Body"].read()
        except ClientError as error:
            if error.response["Error"]["Code"] in _GONE:
                raise FileNotFoundError(name) from error
            raise FilesAway(f"the bucket {self.bucket} does not give {name}: {error}") from error
        except BotoCoreError as error:
            raise FilesAway(f"the bucket {self.bucket} does not answer: {error}") from error
        return data


@lru_cache(maxsize=4)
def _client(endpoint: str | None) -> Any:
    patience = Config(connect_timeout=_PATIENCE, read_timeout=_PATIENCE, retries={"max_attempts": 2})
    return boto3.client("s3", endpoint_url=endpoint, config=patience)


def bucket_store(url: str, endpoint: str | None, copies: Path) -> BucketStore:
    """The store of an address `s3://bucket/prefix`. Raises ValueError."""
    address = urlsplit(url)
    if address.scheme != "s3" or not address.netloc:
        raise ValueError(f"{url}: a bucket is named as s3://bucket/prefix")
    prefix = address.path.strip("/")
    return BucketStore(copies, address.netloc, f"{prefix}/" if prefix else "", endpoint)
