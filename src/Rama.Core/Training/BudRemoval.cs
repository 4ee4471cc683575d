using Rama.Core.Explain;

namespace Rama.Core.Training;

/// <summary>Buds taken off a bare leader so that the ones kept become limbs in their places.</summary>
/// <param name="Buds">Buds on the length.</param>
/// <param name="Kept">Buds kept.</param>
/// <param name="SpacingCm">How far apart the kept ones stand on the length below the top, cm.</param>
/// <param name="LimbSpacingCm">How far apart the limbs are expected, cm.</param>
/// <param name="TakenShare">Share of the buds that comes off.</param>
/// <param name="Steps">The arithmetic.</param>
/// <param name="Warnings">What is unusual.</param>
public sealed record BudRemoval(
    double Buds,
    double Kept,
    double SpacingCm,
    double LimbSpacingCm,
    double TakenShare,
    IReadOnlyList<Step> Steps,
    IReadOnlyList<Notice> Warnings
) : Calculated(Kept, "bud", Steps, Warnings)
{
    /// <summary>Limbs closer than this shade each other: refused (common practice, no source).</summary>
    public const double TooCloseCm = 8;

    /// <summary>Distance of limbs that is wanted, cm (common practice, no source).</summary>
    public const double AimFromCm = 12,
        AimToCm = 18;

    /// <summary>Share of the buds left that becomes limbs (assumption).</summary>
    public const double Breaking = 0.65;

    /// <summary>Buds off at the top, and buds taken for each one kept below it (common practice, no source).</summary>
    public const double TopBuds = 5,
        TakenEach = 2.5;

    /// <summary>Works it out.</summary>
    /// <param name="lengthCm">Length of last year's growth, cm.</param>
    /// <param name="internodeCm">Distance of its buds, cm.</param>
    /// <param name="topBuds">Buds off at the top.</param>
    /// <param name="takenEach">Buds taken for each one kept.</param>
    /// <param name="breaking">Share of the kept ones that becomes limbs.</param>
    /// <remarks>Source: handbook of the trade, common practice; it works on last year's growth only.</remarks>
    public static BudRemoval Of(
        double lengthCm,
        double internodeCm,
        double topBuds = TopBuds,
        double takenEach = TakenEach,
        double breaking = Breaking
    )
    {
        var buds = lengthCm / internodeCm;
        var below = Math.Max(0, buds - topBuds);
        var kept = below / (1 + takenEach);
        var spacing = kept > 0 ? (lengthCm - topBuds * internodeCm) / kept : 0;
        var limbs = spacing / breaking;
        Figure all = new("buds on the length", buds, "bud"),
            left = new("buds kept", kept, "bud"),
            apart = new("kept buds apart", spacing, "cm"),
            told = new("limbs apart", limbs, "cm");
        Figure top = new("buds off at the top", topBuds, "bud");
        List<Notice> warnings =
        [
            new(
                "bud-removal.caution",
                "Works on last year's growth only, and never together with a branching agent on the same length."
            ),
        ];
        if (limbs is > 0 and (< AimFromCm or > AimToCm))
            warnings.Add(Spacing(limbs));
        return new(
            buds,
            kept,
            spacing,
            limbs,
            1 - kept / buds,
            [
                new(
                    "bud-removal.buds",
                    "length ÷ internode",
                    all,
                    [new("length", lengthCm, "cm"), new("internode", internodeCm, "cm")],
                    Sources.Definition
                ),
                new(
                    "bud-removal.kept",
                    "(buds on the length − buds off at the top) ÷ (1 + buds taken for each kept)",
                    left,
                    [all, top, new("buds taken for each kept", takenEach, "bud")],
                    Sources.Practice
                ),
                new(
                    "bud-removal.apart",
                    "(length − buds off at the top × internode) ÷ buds kept",
                    apart,
                    [new("length", lengthCm, "cm"), top, new("internode", internodeCm, "cm"), left],
                    Sources.Definition
                ),
                new(
                    "bud-removal.limbs",
                    "kept buds apart ÷ share that breaks",
                    told,
                    [apart, new("share that breaks", breaking, "1")],
                    Sources.Assumption
                ),
            ],
            warnings
        );
    }

    /// <summary>That limbs come closer or wider than is wanted.</summary>
    internal static Notice Spacing(double limbsCm) =>
        new(
            limbsCm < AimFromCm ? "bud-removal.close" : "bud-removal.wide",
            $"Limbs every {limbsCm:0} cm where {AimFromCm:0} to {AimToCm:0} cm are wanted: take "
                + $"{(limbsCm < AimFromCm ? "more" : "fewer")} buds for each one kept.",
            new Figure("limbs apart", limbsCm, "cm"),
            new("wanted from", AimFromCm, "cm"),
            new("wanted to", AimToCm, "cm")
        );
}

/// <summary>A bare leader whose buds are to be taken, as typed.</summary>
public sealed record BudRemovalEntry
{
    /// <summary>Length of last year's growth, metres.</summary>
    public double? LengthM { get; init; }

    /// <summary>Distance of its buds, cm.</summary>
    public double? InternodeCm { get; init; }

    /// <summary>Buds off at the top; five when left out.</summary>
    public double? TopBuds { get; init; }

    /// <summary>Buds taken for each one kept; two and a half when left out.</summary>
    public double? TakenEach { get; init; }

    /// <summary>Share of the kept ones that becomes limbs; 0.65 when left out.</summary>
    public double? Breaking { get; init; }

    /// <summary>Works it out.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used; limbs closer than 8 cm are
    /// refused.</exception>
    public BudRemoval Calculate()
    {
        var reader = new EntryReader();
        var length = reader.Required("lengthM", "Length", LengthM, "m", 0.2, 4);
        var internode = reader.Required("internodeCm", "Internode", InternodeCm, "cm", 0.5, 10);
        var top = reader.Optional("topBuds", "Buds off at the top", TopBuds, "", 0, 20);
        var taken = reader.Optional("takenEach", "Buds taken for each kept", TakenEach, "", 0, 10);
        var breaking = reader.Optional("breaking", "Share that breaks", Breaking, "", 0.1, 1);
        reader.ThrowIfAny();
        var removal = BudRemoval.Of(
            length * 100,
            internode,
            top ?? BudRemoval.TopBuds,
            taken ?? BudRemoval.TakenEach,
            breaking ?? BudRemoval.Breaking
        );
        if (removal.Kept < 1)
            reader.Add("lengthM", "conflict", "Length: no bud is left below the top.");
        else if (removal.LimbSpacingCm < BudRemoval.TooCloseCm)
            reader.Add(
                "takenEach",
                "conflict",
                $"Limbs would stand {removal.LimbSpacingCm:0.#} cm apart and shade each other: take more buds for each "
                    + $"one kept, so that they come at least {BudRemoval.TooCloseCm:0} cm apart."
            );
        reader.ThrowIfAny();
        return removal;
    }
}
