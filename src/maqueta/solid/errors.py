"""What can go wrong between a recipe or a file and a solid."""


class PartError(Exception):
    """A part cannot be used; the message is meant for the person who made it."""


class FeatureError(PartError):
    """One feature of a recipe cannot be built.

    `feature` is its name as shown to people, `index` its place in the list (0-based).
    """

    def __init__(self, feature: str, index: int, reason: str) -> None:
        super().__init__(f"feature {index + 1} “{feature}”: {reason}")
        self.feature = feature
        self.index = index
        self.reason = reason
