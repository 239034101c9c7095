"""Between assembly documents and the versions of parts on the shelf: a key in a document is the number of a version."""

import json
from pathlib import PurePath

from fastapi import HTTPException
from sqlalchemy.orm import Session

from maqueta.phrases.phrase import phrase
from maqueta.service.assemblies.messages import AssemblyAnswer, ComponentPart
from maqueta.service.shelf.kernel_work import FoundAssembly
from maqueta.solid.assembly import Assembly
from maqueta.store.files import FileStore
from maqueta.store.jobs import add_job
from maqueta.store.models import Account, VersionRecord
from maqueta.store.models.shelf import ASSEMBLY_SUFFIX
from maqueta.store.shelf import add_part, label_part, own_versions


def components_of(session: Session, instructor: Account, assembly: Assembly) -> list[VersionRecord]:
    """The versions an assembly is put together from. Raises HTTPException 422 for one that is not on the instructor's
    shelf, not ready, or an assembly itself.
    """
    keys = {own.part for own in assembly.components}
    numbers = {int(key) for key in keys if key.isascii() and key.isdigit() and len(key) < 10}
    found = {str(version.id): version for version in own_versions(session, instructor, numbers)}
    for own in assembly.components:
        version = found.get(own.part)
        if version is None or version.state != "ready":
            raise HTTPException(422, phrase("assembly-part-not-there", name=own.name))
        if version.is_assembly:
            raise HTTPException(422, phrase("assembly-within", name=own.name))
    return [found[key] for key in sorted(keys)]


def document_file(files: FileStore, assembly: Assembly) -> str:
    """Put an assembly's document away, written as a person would; its name."""
    data = assembly.model_dump(mode="json", exclude_defaults=True) | {"format": assembly.format}
    return files.put((json.dumps(data, indent=2, ensure_ascii=False) + "\n").encode())


def assembly_answer(files: FileStore, version: VersionRecord) -> AssemblyAnswer:
    """An assembly's version with what its parts are; the way it stands in use may be newer than its document."""
    written = Assembly.model_validate_json(files.get(version.source))
    up = version.natural_up or written.natural_up
    assembly = Assembly.model_validate(written.model_dump() | {"natural_up": up})
    return AssemblyAnswer(assembly=assembly, parts=[_component_part(own) for own in version.components])


def _component_part(version: VersionRecord) -> ComponentPart:
    current = version.part.current
    return ComponentPart(
        key=str(version.id),
        part=version.part_id,
        name=version.part.name,
        newer=current.id if current.id != version.id and current.state == "ready" else None,
    )


def spread_out(session: Session, files: FileStore, version: VersionRecord, found: FoundAssembly) -> None:
    """Put the parts of an assembly that came as one file on the shelf, each to be examined, and make the version one of
    an assembly of them.
    """
    read = Assembly.model_validate_json(found.document)
    owner = version.part.owner
    keys, components = {}, []
    for number, own in enumerate(found.parts):
        part = add_part(session, owner, own.name, f"{own.name}.step"[-200:], files.put(own.step))
        label_part(session, part, [read.name])
        add_job(session, owner, "part", part.current.id)
        keys[f"p{number}"] = str(part.current.id)
        components.append(part.current)
    placed = tuple(own.model_copy(update={"part": keys[own.part]}) for own in read.components)
    version.source = document_file(files, read.model_copy(update={"components": placed}))
    version.file_name = f"{PurePath(version.file_name).stem}{ASSEMBLY_SUFFIX}"[-200:]
    version.components = components
    version.report = found.report
    session.flush()
