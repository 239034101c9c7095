"""The application: routes, guards, and the interface's files."""

import gc
from collections.abc import AsyncIterator
from contextlib import asynccontextmanager
from pathlib import Path
from typing import Final

from anyio.to_thread import current_default_thread_limiter
from fastapi import FastAPI, HTTPException
from fastapi.responses import FileResponse
from fastapi.routing import APIRoute

from maqueta.phrases.phrase import phrase
from maqueta.service import guards, health
from maqueta.service.admission import MOST_ASIDE, PLACES
from maqueta.service.assemblies import routes as assembly_routes
from maqueta.service.bench import document_routes, model_answer_routes, readers_eye_routes, receipts
from maqueta.service.bench import routes as bench_routes
from maqueta.service.deliveries import original_routes
from maqueta.service.deliveries import routes as delivery_routes
from maqueta.service.exercises import change_routes
from maqueta.service.exercises import routes as exercise_routes
from maqueta.service.interface_files import PackedFiles
from maqueta.service.jobs import routes as job_routes
from maqueta.service.marking import (
    correction_routes,
    likeness_routes,
    marks_out_routes,
    rule_routes,
    scheme_routes,
    slip_routes,
    understanding_routes,
    wall_routes,
)
from maqueta.service.marking import routes as marking_routes
from maqueta.service.metrics import noted_work
from maqueta.service.people import account_routes, class_routes, people_routes
from maqueta.service.queue.chosen import work_queue
from maqueta.service.sets import arranging_routes as set_arranging_routes
from maqueta.service.sets import class_file_routes as set_class_file_routes
from maqueta.service.sets import file_routes as set_file_routes
from maqueta.service.sets import routes as set_routes
from maqueta.service.sets import title_block_routes as set_title_block_routes
from maqueta.service.sets import wall_routes as set_wall_routes
from maqueta.service.settings import Settings, files_of
from maqueta.service.sheet_forms import routes as sheet_form_routes
from maqueta.service.shelf import builder_routes, model_routes, part_routes
from maqueta.service.workers import KernelWorkers
from maqueta.service.world import World
from maqueta.store.database import Database

#: Addresses of the interface are short; longer ones are no file's.
_LONGEST_PATH: Final = 200


def _operation_name(route: APIRoute) -> str:
    """Names operations in the OpenAPI document by area and function, so that generated types read well."""
    area = route.endpoint.__module__.removeprefix("maqueta.service.").replace(".", "_").removesuffix("_routes")
    return f"{area}_{route.name}"


def describe() -> FastAPI:
    """The routes alone, for the OpenAPI document."""
    app = FastAPI(
        title="Maqueta",
        docs_url=None,
        redoc_url=None,
        openapi_url=None,
        generate_unique_id_function=_operation_name,
        separate_input_output_schemas=False,
    )
    areas = (
        health,
        account_routes,
        people_routes,
        class_routes,
        builder_routes,
        part_routes,
        assembly_routes,
        model_routes,
        job_routes,
        exercise_routes,
        change_routes,
        bench_routes,
        document_routes,
        model_answer_routes,
        readers_eye_routes,
        delivery_routes,
        original_routes,
        marking_routes,
        correction_routes,
        wall_routes,
        scheme_routes,
        rule_routes,
        likeness_routes,
        slip_routes,
        understanding_routes,
        marks_out_routes,
        receipts,
        set_routes,
        set_arranging_routes,
        set_class_file_routes,
        set_file_routes,
        set_title_block_routes,
        set_wall_routes,
        sheet_form_routes,
    )
    for area in areas:
        app.include_router(area.router)
    app.include_router(marking_routes.remark_router)
    app.include_router(class_routes.join_router)
    return app


def create_app(settings: Settings, database: Database) -> FastAPI:
    """The application on a migrated database. Its workers run from start-up to shutdown."""
    files = files_of(settings)
    app = describe()

    @asynccontextmanager
    async def lifespan(_: FastAPI) -> AsyncIterator[None]:
        queue = work_queue(settings, database, files)
        app.state.world = world = World(settings, database, files, queue, KernelWorkers(settings, queue, noted_work))
        # Beside the places inside, threads for who stands aside and for the interface's files.
        current_default_thread_limiter().total_tokens = PLACES + MOST_ASIDE + 12
        queue.start()
        # What the service itself consists of is never garbage: it need not be looked through with every large answer.
        gc.collect()
        gc.freeze()
        try:
            yield
        finally:
            queue.close()
            world.passwords.close()
            database.close()

    app.router.lifespan_context = lifespan
    guards.install(app, settings)
    _serve_interface(app, settings.frontend)
    return app


def _serve_interface(app: FastAPI, folder: Path) -> None:
    """The built interface; every address that is no file and no API call opens its first page."""
    index = folder / "index.html"
    if (folder / "assets").is_dir():
        app.mount("/assets", PackedFiles(directory=folder / "assets"), name="assets")

    @app.get("/{path:path}", include_in_schema=False)
    def page(path: str) -> FileResponse:
        if path.startswith("api/"):
            raise HTTPException(404, phrase("no-such-address"))
        if "\0" in path or len(path) > _LONGEST_PATH:
            raise HTTPException(404, phrase("no-such-address"))
        wanted = (folder / path).resolve()
        if path and wanted.is_file() and wanted.is_relative_to(folder.resolve()):
            return FileResponse(wanted)
        if not index.is_file():
            raise HTTPException(503, phrase("interface-not-built"))
        return FileResponse(index, headers={"cache-control": "no-cache"})
