"""Sizes written as people write them: numbers, fractions, and sums of named sizes.

`12.5`, `1 3/8`, `width/2 - 4`. Nothing but + − × ÷, brackets, numbers and names is understood.
"""

import ast
import math
import operator
import re
from collections.abc import Callable, Mapping
from typing import Final

from maqueta.phrases.phrase import phrase
from maqueta.phrases.told import ToldError

LONGEST: Final = 120

_MIXED = re.compile(r"(?<![\w.])(\d+)\s+(\d+)\s*/\s*(\d+)(?![\w.])")
_DECIMAL_COMMA = re.compile(r"(?<=\d),(?=\d)")
_SIGNS: Final = str.maketrans({"−": "-", "–": "-", "×": "*", "·": "*", "÷": "/", "″": None, '"': None})
_BINARY: Final[dict[type[ast.operator], Callable[[float, float], float]]] = {
    ast.Add: operator.add,
    ast.Sub: operator.sub,
    ast.Mult: operator.mul,
    ast.Div: operator.truediv,
}


class ExpressionError(ToldError):
    """An expression cannot be read or has no value, and why."""


def _parsed(text: str) -> ast.expr:
    if len(text) > LONGEST:
        raise ExpressionError(phrase("expression-too-long", most=LONGEST))
    plain = _MIXED.sub(r"(\1+\2/\3)", _DECIMAL_COMMA.sub(".", text.translate(_SIGNS))).strip()
    try:
        return ast.parse(plain, mode="eval").body
    except (SyntaxError, ValueError, RecursionError, MemoryError) as error:
        raise ExpressionError(phrase("expression-unreadable", text=text)) from error


def names_in(text: str) -> frozenset[str]:
    """The named sizes an expression speaks of. Raises ExpressionError when it cannot be read."""
    return frozenset(node.id for node in ast.walk(_parsed(text)) if isinstance(node, ast.Name))


def evaluate(text: str, sizes: Mapping[str, float]) -> float:
    """The value of an expression, given the named sizes.

    Raises ExpressionError for anything but sums, products and quotients of numbers and known names, for a division
    by zero, and for a value that is not finite.
    """
    try:
        value = _value(_parsed(text), sizes)
    except (ZeroDivisionError, OverflowError) as error:
        raise ExpressionError(phrase("expression-divides-by-zero", text=text)) from error
    if not math.isfinite(value):
        raise ExpressionError(phrase("expression-not-finite", text=text))
    return value


def _value(node: ast.expr, sizes: Mapping[str, float]) -> float:
    match node:
        case ast.Constant(value=int() | float() as number) if not isinstance(number, bool):
            return float(number)
        case ast.Name(id=name):
            if name not in sizes:
                raise ExpressionError(phrase("no-size-called", name=name))
            return sizes[name]
        case ast.UnaryOp(op=ast.USub(), operand=operand):
            return -_value(operand, sizes)
        case ast.UnaryOp(op=ast.UAdd(), operand=operand):
            return _value(operand, sizes)
        case ast.BinOp(left=left, op=op, right=right) if type(op) in _BINARY:
            return _BINARY[type(op)](_value(left, sizes), _value(right, sizes))
    raise ExpressionError(phrase("expression-of-sums-only"))
