namespace Rama.Core.Systems;

/// <summary>A kind of cut, and what goes with it.</summary>
/// <param name="Kind">The kind.</param>
/// <param name="Leaves">What it leaves where nothing is said, a rule; null for one that leaves nothing to say.</param>
/// <param name="OnlyFor">The one subject it is for, which is cut in no other way; null for any other.</param>
/// <param name="First">Where to start on that subject.</param>
public sealed record CutChoice(CutKind Kind, string? Leaves = null, string? OnlyFor = null, string? First = null)
{
    /// <summary>All kinds. Lengths are handbook 3.1's: a stub of 1–2 cm, a tip of a third.</summary>
    public static IReadOnlyList<CutChoice> All { get; } =
    [
        new(CutKind.Collar),
        new(CutKind.RenewalStub, "2 cm"),
        new(CutKind.ToSideShoot, "height-limit"),
        new(CutKind.Single, OnlyFor: "forks", First: "height up"),
        new(CutKind.RubOff, OnlyFor: "buds", First: "along down"),
        new(CutKind.Shorten, "20 cm"),
        new(CutKind.Tip, "2 / 3 * length"),
        new(CutKind.Head, "height-limit"),
    ];

    internal static CutChoice Of(CutKind kind) => All.First(c => c.Kind == kind);
}
