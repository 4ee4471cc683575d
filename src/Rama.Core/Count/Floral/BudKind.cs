using Rama.Core.Explain;

namespace Rama.Core.Count.Floral;

/// <summary>Kinds of bud told apart when counting. A manager may name others, such as <c>spur, thin</c>.</summary>
public static class BudKind
{
    /// <summary>Any bud, where kinds were not told apart.</summary>
    public const string Any = "any";

    /// <summary>On a spur, wood of two years and older.</summary>
    public const string Spur = "spur";

    /// <summary>At the end of a shoot.</summary>
    public const string Terminal = "terminal";

    /// <summary>Along a shoot of last year.</summary>
    public const string Lateral = "lateral";

    /// <summary>The kinds offered first, in the order they are counted.</summary>
    public static readonly IReadOnlyList<string> Usual = [Spur, Terminal, Lateral];

    /// <summary>Most kinds one count may tell apart.</summary>
    public const int Most = 8;

    private const int Longest = 30;

    /// <summary>Reads a kind as typed: trimmed, in small letters.</summary>
    internal static string Read(EntryReader reader, string field, string? kind) =>
        reader.Text(field, "Kind of bud", kind, Longest).ToLowerInvariant();
}
