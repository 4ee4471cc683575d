using Rama.Core.Explain;
using Rama.Core.Quantities;

namespace Rama.Core.Target.Insurance;

/// <summary>Losses still to come, as typed; each none when left out.</summary>
public sealed record LossesEntry
{
    /// <summary>Share of the buds killed by cold and not counted yet.</summary>
    public Amount? WinterKill { get; init; }

    /// <summary>Share of the clusters lost to spring frost.</summary>
    public Amount? Frost { get; init; }

    /// <summary>Share knocked off after green tip.</summary>
    public Amount? Mechanical { get; init; }

    /// <summary>Chance of a further loss.</summary>
    public Amount? RiskChance { get; init; }

    /// <summary>Share of the clusters that loss would take.</summary>
    public Amount? RiskLoss { get; init; }

    /// <summary>Reads the entry.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public Losses Read()
    {
        var reader = new EntryReader();
        double Loss(string field, string label, Amount? typed) =>
            reader.Optional(field, label, typed, Units.Share, 0, 0.95) ?? 0;
        var winter = Loss("winterKill", "Winter kill", WinterKill);
        var frost = Loss("frost", "Frost", Frost);
        var mechanical = Loss("mechanical", "Knocked off", Mechanical);
        var chance = reader.Optional("riskChance", "Chance", RiskChance, Units.Share, 0, 1);
        var loss = reader.Optional("riskLoss", "Loss when it comes", RiskLoss, Units.Share, 0, 0.95);
        if (chance is null != loss is null)
            reader.Add(
                chance is null ? "riskChance" : "riskLoss",
                "missing",
                "Risk: please give both its chance and its loss, or neither."
            );
        reader.ThrowIfAny();
        return new(
            winter,
            frost,
            mechanical,
            chance is { } c && loss is { } l && c > 0 && l > 0 ? new ClusterRisk(c, l) : null
        );
    }
}
