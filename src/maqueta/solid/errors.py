"""What can go wrong between a recipe or a file and a solid."""

from maqueta.phrases.phrase import Phrase, phrase
from maqueta.phrases.told import ToldError


class PartError(ToldError):
    """A part cannot be used; the reason is meant for the person who made it."""


class CutError(PartError):
    """A cut that leaves nothing to draw: it misses the part, or takes all of it."""


class FeatureError(PartError):
    """One feature of a recipe cannot be built.

    `feature` is its name as shown to people, `index` its place in the list (0-based), `why` what is wrong with it.
    """

    def __init__(self, feature: str, index: int, why: Phrase) -> None:
        super().__init__(phrase("feature-at-fault", number=index + 1, name=feature, reason=why))
        self.feature = feature
        self.index = index
        self.why = why

    def __reduce__(self) -> tuple[type["FeatureError"], tuple[str, int, Phrase]]:
        # It travels between processes.
        return FeatureError, (self.feature, self.index, self.why)
