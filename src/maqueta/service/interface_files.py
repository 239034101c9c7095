"""The built interface's files, each compressed once, not once for everybody who asks."""

import gzip
from functools import lru_cache
from pathlib import Path
from typing import Final

from fastapi.concurrency import run_in_threadpool
from fastapi.responses import FileResponse, Response
from fastapi.staticfiles import StaticFiles
from starlette.datastructures import Headers
from starlette.types import Scope

#: What gets smaller by compressing; pictures and fonts are compressed already.
_TEXT: Final = (".js", ".css", ".svg", ".json", ".map")


class PackedFiles(StaticFiles):
    """A folder of files whose names change with their content."""

    async def get_response(self, path: str, scope: Scope) -> Response:
        """A file as it is, or compressed for who can read that."""
        plain = await super().get_response(path, scope)
        asked = Headers(scope=scope)
        whole = plain.status_code == 200 and "range" not in asked
        if not (whole and isinstance(plain, FileResponse) and path.endswith(_TEXT)):
            return plain
        plain.headers["vary"] = "accept-encoding"
        if "gzip" not in asked.get("accept-encoding", ""):
            return plain
        data = await run_in_threadpool(_packed, str(plain.path))
        headers = {"content-encoding": "gzip", "vary": "accept-encoding", "etag": plain.headers["etag"]}
        return Response(data, media_type=plain.media_type, headers=headers)


@lru_cache(maxsize=256)
def _packed(path: str) -> bytes:
    return gzip.compress(Path(path).read_bytes(), 9, mtime=0)
