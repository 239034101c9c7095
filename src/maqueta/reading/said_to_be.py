"""What somebody can say that a group of drawn lines is."""

from typing import Literal

from maqueta.projection.arrangement import ViewName

SpecialSaid = Literal["section", "detail", "auxiliary"]
#: "none" is no view of the part.
Said = ViewName | SpecialSaid | Literal["pictorial", "none"]
