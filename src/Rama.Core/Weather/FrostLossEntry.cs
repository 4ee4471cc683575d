using Rama.Core.Explain;
using Rama.Core.Quantities;

namespace Rama.Core.Weather;

/// <summary>A cold night, as typed.</summary>
public sealed record FrostLossEntry
{
    /// <summary>Crop.</summary>
    public string? Crop { get; init; }

    /// <summary>Stage of the buds, an identifier of the frost tables.</summary>
    public string? Stage { get; init; }

    /// <summary>Coldest temperature of the night, °C or °F.</summary>
    public Amount? Lowest { get; init; }

    /// <summary>Exponent of the flower loss that gives the cluster's, 1 to 5; 2 when left out.</summary>
    public double? ClusterExponent { get; init; }

    /// <summary>Reads the entry and computes.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public FrostLoss Calculate()
    {
        var reader = new EntryReader();
        var stages = FrostTables.Shipped.Of(Crop ?? "");
        if (stages.Count == 0)
            reader.Add(
                "crop",
                "unknown",
                $"Crop: there is no frost table for it; expected one of {string.Join(", ", FrostTables.Shipped.Tables.Select(t => t.Crop))}."
            );
        var stage = FrostTables.Shipped.Stage(Crop ?? "", Stage);
        if (stages.Count > 0 && stage is null)
            reader.Add("stage", "unknown", $"Stage: expected one of {string.Join(", ", stages.Select(s => s.Id))}.");
        var lowest = Lowest?.Unit switch
        {
            "°F" => reader.Required("lowest", "Coldest", Lowest.Value, "°F", -60, 100),
            "°C" or null => FrostLoss.Fahrenheit(reader.Required("lowest", "Coldest", Lowest?.Value, "°C", -50, 40)),
            _ => double.NaN,
        };
        if (Lowest?.Unit is not ("°F" or "°C" or null))
            reader.Add("lowest", "unit", "Coldest: expected °C or °F.");
        var exponent = reader.Optional("clusterExponent", "Exponent", ClusterExponent, "1", 1, 5);
        reader.ThrowIfAny();
        return FrostLoss.Of(stage!, lowest, exponent);
    }
}
