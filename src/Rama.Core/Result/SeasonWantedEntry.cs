using Rama.Core.Explain;
using Rama.Core.Quantities;
using Rama.Core.Target.Size;

namespace Rama.Core.Result;

/// <summary>What was wanted of a season when it began, as typed or as its plan said.</summary>
public sealed record SeasonWantedEntry
{
    /// <summary>Floral buds to leave per tree.</summary>
    public double? BudsLeft { get; init; }

    /// <summary>Share of them expected to be lost to cold and handling; none when left out.</summary>
    public Amount? ExpectedLoss { get; init; }

    /// <summary>Share of the clusters in bloom expected to hold fruit; the variety's when left out.</summary>
    public Amount? SetShare { get; init; }

    /// <summary>Fruit wanted per tree.</summary>
    public double? FruitPerTree { get; init; }

    /// <summary>Fruit size wanted; units <see cref="FruitSize.UnitCodes"/>.</summary>
    public Amount? FruitSize { get; init; }

    /// <summary>Share of the mass expected to be sold as wanted.</summary>
    public Amount? PackOut { get; init; }

    internal SeasonWanted Read()
    {
        var reader = new EntryReader();
        var buds = reader.Optional("budsLeft", "Buds wanted", BudsLeft, "bud/tree", 1, 20_000);
        var loss = reader.Optional("expectedLoss", "Loss expected", ExpectedLoss, Units.Share, 0, 0.99);
        var set = reader.Optional("setShare", "Cluster set expected", SetShare, Units.Share, 0.01, 1);
        var fruit = reader.Optional("fruitPerTree", "Fruit wanted", FruitPerTree, "fruit/tree", 0.1, 5_000);
        var size = FruitSize?.Value is null
            ? null
            : Target.Size.FruitSize.Read(reader, "fruitSize", FruitSize, PackageMasses.Default);
        var packOut = reader.Optional("packOut", "Pack-out expected", PackOut, Units.Share, 0.01, 1);
        reader.ThrowIfAny();
        return new(buds, loss ?? 0, set, fruit, size?.MassKg, packOut);
    }
}
