using System.Globalization;
using Rama.Core.Explain;

namespace Rama.Core.Tests.Explain;

/// <summary>
/// Does a sum again as a reader would: from the formula told and the figures beside it, by their names.
/// </summary>
internal sealed class Formula
{
    private readonly string _text;
    private readonly IReadOnlyList<Figure> _figures;
    private int _at;

    private Formula(string text, IReadOnlyList<Figure> figures) => (_text, _figures) = (text, figures);

    /// <summary>What the formula comes to; null where it is not told in the names of its figures.</summary>
    public static double? Of(Step step)
    {
        Formula read = new(step.Formula.Split(';')[0].Trim(), [.. step.Inputs.OrderByDescending(f => f.Name.Length)]);
        return read.Sum() is { } value && read._at == read._text.Length ? value : null;
    }

    private double? Sum()
    {
        var sum = Product();
        while (sum is not null && Sign('+', '−') is { } sign)
            sum = Product() is { } next ? sum + (sign == '+' ? next : -next) : null;
        return sum;
    }

    private double? Product()
    {
        var product = Atom();
        while (product is not null && Sign('×', '÷') is { } sign)
            product = Atom() is { } next ? (sign == '×' ? product * next : product / next) : null;
        return product;
    }

    private double? Atom()
    {
        if (Sign('√') is not null)
            return Atom() is { } square ? Math.Sqrt(square) : null;
        if (Sign('(') is not null)
            return Sum() is { } inner && Sign(')') is not null ? inner : null;
        foreach (var figure in _figures)
            if (_text.AsSpan(_at).StartsWith(figure.Name, StringComparison.Ordinal))
            {
                _at += figure.Name.Length;
                return figure.Value;
            }
        var end = _at;
        while (end < _text.Length && (char.IsAsciiDigit(_text[end]) || _text[end] == '.'))
            end++;
        if (
            !double.TryParse(
                _text.AsSpan(_at, end - _at),
                NumberStyles.Float,
                CultureInfo.InvariantCulture,
                out var number
            )
        )
            return null;
        _at = end;
        return number;
    }

    private char? Sign(params ReadOnlySpan<char> signs)
    {
        var at = _at;
        while (at < _text.Length && _text[at] == ' ')
            at++;
        if (at == _text.Length || !signs.Contains(_text[at]))
            return null;
        var sign = _text[at++];
        while (at < _text.Length && _text[at] == ' ')
            at++;
        _at = at;
        return sign;
    }
}
