using System.Globalization;

namespace Rama.Core.Systems.Language;

/// <summary>A rule that cannot be understood: what is wrong, and where.</summary>
/// <param name="message">What is wrong.</param>
public sealed class RuleException(string message) : Exception(message)
{
    /// <summary>The named rule in which it is wrong; null where it is wrong in the rule itself.</summary>
    public string? Term { get; init; }
}

/// <summary>A rule of a known quantity.</summary>
internal readonly record struct TypedRule(Dimension Dimension, Rule Read);

/// <summary>Things a rule may name beside the words of its subject.</summary>
/// <param name="Settings">Settings of the pack with their place and what they measure.</param>
/// <param name="Terms">Named rules of the pack.</param>
internal sealed record RuleNames(
    IReadOnlyDictionary<string, (int Place, Dimension Dimension)> Settings,
    IReadOnlyDictionary<string, string> Terms
)
{
    /// <summary>
    /// Most parts of all rules of a pack together, each time with its terms: ten times what the richest shipped pack
    /// has.
    /// </summary>
    internal const int MostPartsOfAll = 2_000;

    private readonly SortedSet<int> _asked = [];
    private int _read;

    public static RuleNames None => new(new Dictionary<string, (int, Dimension)>(), new Dictionary<string, string>());

    /// <summary>Notes that a rule asks for a setting.</summary>
    /// <param name="place">Its place among the settings.</param>
    internal void Ask(int place) => _asked.Add(place);

    /// <summary>Places of the settings that rules read since the last time ask for.</summary>
    internal IReadOnlyList<int> Settle()
    {
        int[] asked = [.. _asked];
        _asked.Clear();
        return asked;
    }

    /// <summary>Counts parts read with these names.</summary>
    /// <exception cref="RuleException">They are too many.</exception>
    internal void Count(int parts)
    {
        if ((_read += parts) > MostPartsOfAll)
            throw new RuleException($"its rules, each with its terms, have more than {MostPartsOfAll} parts together");
    }
}

/// <summary>
/// Reads a rule: <c>or</c>, <c>and</c>, <c>not</c>, comparisons, <c>+ - * /</c>, <c>min</c>, <c>max</c>, <c>slope</c>,
/// numbers with units, words of the subject, settings and terms of the pack. Docs: <c>docs/selectors.md</c>.
/// </summary>
internal sealed class RuleParser
{
    /// <summary>Most characters of one rule.</summary>
    internal const int MostCharacters = 400;

    /// <summary>Most keys of an order; most parts of a rule and how deep they may nest, its terms included.</summary>
    private const int MostKeys = 3,
        MostParts = 1_000,
        MostDepth = 40;

    private readonly string _text;
    private readonly Subject _subject;
    private readonly RuleNames _names;
    private readonly Reading _reading;
    private readonly List<(string Text, int At)> _tokens;
    private int _next;

    private RuleParser(string text, Subject subject, RuleNames names, Reading reading)
    {
        if (text.Length > MostCharacters)
            throw new RuleException(
                $"“{text[..40]}…” has {text.Length} characters, expected at most {MostCharacters}; give parts "
                    + "of it a name among the terms"
            );
        (_text, _subject, _names, _reading) = (text, subject, names, reading);
        _tokens = Split(text);
        if ((_reading.Parts += _tokens.Count) > MostParts)
            throw new RuleException($"with its terms the rule has more than {MostParts} parts");
        names.Count(_tokens.Count);
    }

    /// <summary>What is being read, over a rule and its terms.</summary>
    private sealed class Reading
    {
        public List<string> Within { get; } = [];

        public int Parts { get; set; }

        public int Depth { get; set; }
    }

    private TypedRule Deeper(Func<TypedRule> read)
    {
        if (++_reading.Depth > MostDepth)
            throw new RuleException($"with its terms the rule nests more than {MostDepth} deep");
        var rule = read();
        _reading.Depth--;
        return rule;
    }

    /// <summary>Reads a rule that must be of a dimension.</summary>
    /// <exception cref="RuleException">Says what is wrong and where.</exception>
    public static Rule Parse(string text, Subject subject, RuleNames names, Dimension wanted)
    {
        var rule = Parse(text, subject, names, new Reading());
        return rule.Dimension == wanted
            ? rule.Read
            : throw new RuleException($"“{text}” is {Said(rule.Dimension)}, expected {Said(wanted)}");
    }

    /// <summary>
    /// Reads an order: rules parted by commas, each followed by <c>up</c>, <c>down</c> or <c>first</c>.
    /// </summary>
    /// <exception cref="RuleException">Says what is wrong and where.</exception>
    public static IReadOnlyList<(Rule Key, bool Down)> ParseOrder(string text, Subject subject, RuleNames names)
    {
        var parser = new RuleParser(text, subject, names, new());
        List<(Rule, bool)> keys = [];
        do
        {
            var key = parser.Or();
            var way = parser.NextToken();
            if (way is not ("up" or "down" or "first"))
                throw parser.Wrong("expected “up”, “down” or “first” here", -1);
            if (way == "first" != (key.Dimension == Dimension.YesNo))
                throw parser.Wrong($"“{way}” does not go with {Said(key.Dimension)}", -1);
            keys.Add((key.Read, way != "up"));
        } while (parser.Accept(","));
        parser.End();
        return keys.Count <= MostKeys
            ? keys
            : throw new RuleException($"“{text}” has {keys.Count} keys, expected at most {MostKeys}");
    }

    private static TypedRule Parse(string text, Subject subject, RuleNames names, Reading reading)
    {
        var parser = new RuleParser(text, subject, names, reading);
        var rule = parser.Or();
        parser.End();
        return rule;
    }

    private TypedRule Or()
    {
        var left = And();
        while (Accept("or"))
        {
            var (a, b) = (YesNo(left), YesNo(And()));
            left = new(Dimension.YesNo, (in RuleScope s) => a(s) != 0 || b(s) != 0 ? 1 : 0);
        }
        return left;
    }

    private TypedRule And()
    {
        var left = Not();
        while (Accept("and"))
        {
            var (a, b) = (YesNo(left), YesNo(Not()));
            left = new(Dimension.YesNo, (in RuleScope s) => a(s) != 0 && b(s) != 0 ? 1 : 0);
        }
        return left;
    }

    private TypedRule Not()
    {
        if (!Accept("not"))
            return Comparison();
        var a = YesNo(Deeper(Not));
        return new(Dimension.YesNo, (in RuleScope s) => a(s) == 0 ? 1 : 0);
    }

    private TypedRule Comparison()
    {
        var left = Sum();
        if (Peek() is not ("<" or ">" or "<=" or ">=" or "="))
            return left;
        var sign = NextToken();
        var right = Sum();
        Same(left, right, sign);
        var (a, b) = (left.Read, right.Read);
        Rule read = sign switch
        {
            "<" => (in RuleScope s) => a(s) < b(s) ? 1 : 0,
            ">" => (in RuleScope s) => a(s) > b(s) ? 1 : 0,
            "<=" => (in RuleScope s) => a(s) <= b(s) ? 1 : 0,
            ">=" => (in RuleScope s) => a(s) >= b(s) ? 1 : 0,
            _ => (in RuleScope s) => a(s) == b(s) ? 1 : 0,
        };
        return new(Dimension.YesNo, read);
    }

    private TypedRule Sum()
    {
        var left = Product();
        while (Peek() is "+" or "-")
        {
            var plus = NextToken() == "+";
            var right = Product();
            Same(left, right, plus ? "+" : "-");
            var (a, b) = (left.Read, right.Read);
            left = new(left.Dimension, plus ? (in RuleScope s) => a(s) + b(s) : (in RuleScope s) => a(s) - b(s));
        }
        return left;
    }

    private TypedRule Product()
    {
        var left = Single();
        while (Peek() is "*" or "/")
        {
            var times = NextToken() == "*";
            var right = Single();
            if (left.Dimension == Dimension.YesNo || right.Dimension == Dimension.YesNo)
                throw Wrong("yes or no cannot be multiplied", -1);
            var (a, b) = (left.Read, right.Read);
            if (times)
            {
                if (left.Dimension != Dimension.Number && right.Dimension != Dimension.Number)
                    throw Wrong($"{Said(left.Dimension)} times {Said(right.Dimension)} means nothing here", -1);
                left = new(left.Dimension == Dimension.Number ? right.Dimension : left.Dimension, (in RuleScope s) =>
                    a(s) * b(s)
                );
            }
            else
            {
                if (right.Dimension != Dimension.Number && right.Dimension != left.Dimension)
                    throw Wrong($"{Said(left.Dimension)} divided by {Said(right.Dimension)} means nothing here", -1);
                left = new(right.Dimension == Dimension.Number ? left.Dimension : Dimension.Number, (in RuleScope s) =>
                    b(s) == 0 ? 0 : a(s) / b(s)
                );
            }
        }
        return left;
    }

    private TypedRule Single()
    {
        if (Accept("("))
        {
            var inside = Deeper(Or);
            Expect(")");
            return inside;
        }
        if (_next == _tokens.Count)
            throw new RuleException($"“{_text}” ends too early");
        var token = NextToken();
        if (char.IsAsciiDigit(token[0]))
            return Number(token);
        if (token is "min" or "max" or "slope" or "above" && Accept("("))
            return Function(token);
        if (Vocabulary.Find(_subject, token) is { } word)
            return new(word.Dimension, word.Read);
        if (_names.Settings.TryGetValue(token, out var setting))
        {
            var place = setting.Place;
            _names.Ask(place);
            return new(setting.Dimension, (in RuleScope s) => s.Settings[place]);
        }
        if (_names.Terms.TryGetValue(token, out var term))
        {
            if (_reading.Within.Contains(token))
                throw new RuleException(
                    $"the terms {string.Join(" → ", [.. _reading.Within, token])} lead back to themselves"
                );
            _reading.Within.Add(token);
            TypedRule rule;
            try
            {
                rule = Deeper(() => Parse(term, _subject, _names, _reading));
            }
            catch (RuleException e) when (e.Term is null)
            {
                throw new RuleException(e.Message) { Term = token };
            }
            _reading.Within.RemoveAt(_reading.Within.Count - 1);
            return rule;
        }
        var near = NearWord.Of(
            token,
            [.. Vocabulary.For(_subject).Select(w => w.Name), .. _names.Settings.Keys, .. _names.Terms.Keys]
        );
        throw Wrong(
            $"“{token}” is no word for {Words(_subject)}, no setting and no term of this pack"
                + (near is null ? "" : $"; did you mean “{near}”?"),
            -1
        );
    }

    private TypedRule Number(string token)
    {
        if (!double.TryParse(token, NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var value))
            throw Wrong($"“{token}” is no number", -1);
        var (dimension, factor) = (Dimension.Number, 1.0);
        if (Peek() is { } next && RuleUnits.Find(next) is { } unit && next.Length > 0)
        {
            NextToken();
            (dimension, factor) = unit;
        }
        var read = value * factor;
        return new(dimension, (in RuleScope _) => read);
    }

    private TypedRule Function(string name)
    {
        List<TypedRule> given = [Deeper(Sum)];
        while (Accept(","))
            given.Add(Deeper(Sum));
        Expect(")");
        var rules = given.Select(g => g.Read).ToArray();
        if (name == "slope")
        {
            if (given.Count != 5)
                throw Wrong("slope takes five: a value, then two points", -1);
            if (
                given[0].Dimension != given[1].Dimension
                || given[0].Dimension != given[3].Dimension
                || given[2].Dimension != given[4].Dimension
            )
                throw Wrong("slope: the points do not fit the value", -1);
            return new(given[2].Dimension, (in RuleScope s) =>
                Slope(rules[0](s), rules[1](s), rules[2](s), rules[3](s), rules[4](s))
            );
        }
        if (name == "above")
        {
            if (given.Count != 1 || given[0].Dimension != Dimension.Length)
                throw Wrong("above takes one height", -1);
            if (_subject is Subject.Tree or Subject.Buds)
                throw Wrong($"above is not for {Words(_subject)}", -1);
            return new(Dimension.Length, (in RuleScope s) => s.Tree.Tree.Branches[s.Id].MetresAbove(rules[0](s)));
        }
        if (given.Any(g => g.Dimension != given[0].Dimension))
            throw Wrong($"{name} compares unlike things", -1);
        return new(
            given[0].Dimension,
            name == "min"
                ? (in RuleScope s) =>
                {
                    var least = rules[0](s);
                    foreach (var rule in rules)
                        least = Math.Min(least, rule(s));
                    return least;
                }
                : (in RuleScope s) =>
                {
                    var most = rules[0](s);
                    foreach (var rule in rules)
                        most = Math.Max(most, rule(s));
                    return most;
                }
        );
    }

    // Level before the first point and after the second, straight between them.
    private static double Slope(double x, double x1, double y1, double x2, double y2) =>
        x <= x1 ? y1
        : x >= x2 ? y2
        : y1 + (y2 - y1) * (x - x1) / (x2 - x1);

    private Rule YesNo(TypedRule rule) =>
        rule.Dimension == Dimension.YesNo
            ? rule.Read
            : throw Wrong($"expected yes or no, got {Said(rule.Dimension)}", -1);

    private void Same(TypedRule left, TypedRule right, string sign)
    {
        if (left.Dimension != right.Dimension || left.Dimension == Dimension.YesNo)
            throw Wrong(
                $"{Said(left.Dimension)} {sign} {Said(right.Dimension)} means nothing: write a number with its "
                    + "unit, such as 22 mm",
                -1
            );
    }

    private string? Peek() => _next < _tokens.Count ? _tokens[_next].Text : null;

    private string NextToken() => _next < _tokens.Count ? _tokens[_next++].Text : "";

    private bool Accept(string token)
    {
        if (Peek() != token)
            return false;
        _next++;
        return true;
    }

    private void Expect(string token)
    {
        if (!Accept(token))
            throw Wrong($"expected “{token}”", 0);
    }

    private void End()
    {
        if (_next < _tokens.Count)
            throw Wrong($"“{_tokens[_next].Text}” was not expected", 0);
    }

    private RuleException Wrong(string what, int back)
    {
        var at = _next + back;
        var place = at >= 0 && at < _tokens.Count ? _tokens[at].At + 1 : _text.Length + 1;
        return new($"“{_text}”, character {place}: {what}");
    }

    private static string Words(Subject subject) => subject.ToString().ToLowerInvariant();

    private static string Said(Dimension dimension) =>
        dimension switch
        {
            Dimension.Number => "a number",
            Dimension.Length => "a length",
            Dimension.Angle => "an angle",
            Dimension.Years => "years",
            _ => "yes or no",
        };

    private static List<(string, int)> Split(string text)
    {
        List<(string, int)> tokens = [];
        for (var i = 0; i < text.Length; )
        {
            var c = text[i];
            if (char.IsWhiteSpace(c))
            {
                i++;
                continue;
            }
            var from = i;
            if (char.IsAsciiDigit(c))
                while (i < text.Length && (char.IsAsciiDigit(text[i]) || text[i] == '.'))
                    i++;
            // A hyphen within a word belongs to it, so that subtraction is written with spaces.
            else if (char.IsAsciiLetterLower(c))
                while (
                    i < text.Length
                    && (
                        char.IsAsciiLetterLower(text[i])
                        || char.IsAsciiDigit(text[i])
                        || text[i] == '-' && i + 1 < text.Length && char.IsAsciiLetterLower(text[i + 1])
                    )
                )
                    i++;
            else if (c is '<' or '>' && i + 1 < text.Length && text[i + 1] == '=')
                i += 2;
            else if ("<>=+-*/(),%".Contains(c, StringComparison.Ordinal))
                i++;
            else
                throw new RuleException($"“{text}”, character {i + 1}: “{c}” has no meaning here");
            tokens.Add((text[from..i], from));
        }
        return tokens;
    }
}
