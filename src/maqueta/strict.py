"""The base of all models whose data comes from outside."""

from collections.abc import Mapping
from typing import Any, Self

from pydantic import BaseModel, ConfigDict


class Strict(BaseModel):
    """Unknown keys are refused by name, numbers are finite, values do not change."""

    model_config = ConfigDict(extra="forbid", frozen=True, allow_inf_nan=False)

    def model_copy(self, *, update: Mapping[str, Any] | None = None, deep: bool = False) -> Self:
        """The same with some values changed. Raises KeyError for a key the model has not."""
        if unknown := set(update or ()) - set(type(self).model_fields):
            raise KeyError(f"{type(self).__name__} has no {', '.join(sorted(unknown))}")
        return super().model_copy(update=update, deep=deep)
