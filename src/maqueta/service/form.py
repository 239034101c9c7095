"""What everything that travels between service and interface has in common."""

from pydantic import BaseModel, ConfigDict


class Form(BaseModel):
    """Unknown keys are refused by name."""

    model_config = ConfigDict(extra="forbid")
