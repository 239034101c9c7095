"""Prints the OpenAPI document, from which the front-end types are generated."""

import json
import sys

from maqueta.service.app import describe


def main() -> None:
    """Write the document to standard output."""
    app = describe()
    app.openapi_url = "/openapi.json"
    json.dump(app.openapi(), sys.stdout, indent=1, sort_keys=True)
    sys.stdout.write("\n")


if __name__ == "__main__":
    main()
