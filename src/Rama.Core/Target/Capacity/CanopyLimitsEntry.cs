using Rama.Core.Explain;
using Rama.Core.Quantities;
using Rama.Core.Systems;

namespace Rama.Core.Target.Capacity;

/// <summary>A canopy on its ground, as typed.</summary>
public sealed record CanopyLimitsEntry
{
    /// <summary>How the canopy fills its row.</summary>
    public CanopyKind? Kind { get; init; }

    /// <summary>Metres between rows.</summary>
    public Amount? RowSpacing { get; init; }

    /// <summary>Metres between trees.</summary>
    public Amount? TreeSpacing { get; init; }

    /// <summary>What was measured and is wanted.</summary>
    public CanopyEntry? Canopy { get; init; }

    /// <summary>Where and how the rows lie, for the light; left out, none is told.</summary>
    public RowLightEntry? Light { get; init; }

    /// <summary>Reads the entry and computes.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public CanopyAnswer Calculate()
    {
        var reader = new EntryReader();
        if (Kind is null)
            reader.Add("kind", "missing", "Form: please choose one.");
        var row = reader.Required("rowSpacing", "Row spacing", RowSpacing, Units.Length, 1, 15);
        var tree = reader.Required("treeSpacing", "Tree spacing", TreeSpacing, Units.Length, 0.2, 15);
        var canopy = Canopy is null ? Capacity.Canopy.Usual : reader.Under("canopy", Canopy.Read);
        var light = Light is null ? null : reader.Under("light", Light.Read);
        reader.ThrowIfAny();
        var limits = CanopyLimits.Of(Kind!.Value, new(row, tree, 1), canopy!);
        return new(
            limits,
            light is null
                ? null
                : RowLight.Of(
                    light.Day,
                    light.LatitudeDeg,
                    light.LongitudeDeg,
                    light.RowAzimuthDeg,
                    canopy!.HeightM ?? limits.HeightM
                )
        );
    }
}

/// <summary>Limits of a canopy, and its light where it was asked for.</summary>
/// <param name="Limits">Limits.</param>
/// <param name="Light">Light over a day; null where it was not asked for.</param>
public sealed record CanopyAnswer(CanopyLimits Limits, RowLight? Light)
    : Calculated(Limits.HeightM, "m", [.. Limits.Steps, .. Light?.Steps ?? []], Limits.Warnings);

/// <summary>Where and how rows lie, as typed.</summary>
public sealed record RowLightEntry
{
    /// <summary>Degrees north.</summary>
    public double? LatitudeDeg { get; init; }

    /// <summary>Degrees east.</summary>
    public double? LongitudeDeg { get; init; }

    /// <summary>Direction of the rows, degrees from north over east.</summary>
    public double? RowAzimuthDeg { get; init; }

    /// <summary>Day; the longest of the year when left out.</summary>
    public DateOnly? Day { get; init; }

    /// <summary>Reads the entry.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public RowDirection Read()
    {
        var reader = new EntryReader();
        var latitude = reader.Required("latitudeDeg", "Latitude", LatitudeDeg, "°", -66, 66);
        var longitude = reader.Required("longitudeDeg", "Longitude", LongitudeDeg, "°", -180, 180);
        var azimuth = reader.Required("rowAzimuthDeg", "Direction of the rows", RowAzimuthDeg, "°", 0, 360);
        reader.ThrowIfAny();
        return new(latitude, longitude, azimuth, Day ?? new DateOnly(2027, latitude >= 0 ? 6 : 12, 21));
    }
}

/// <summary>Where and how rows lie.</summary>
/// <param name="LatitudeDeg">Degrees north.</param>
/// <param name="LongitudeDeg">Degrees east.</param>
/// <param name="RowAzimuthDeg">Direction of the rows, degrees from north over east.</param>
/// <param name="Day">Day to follow the sun on.</param>
public sealed record RowDirection(double LatitudeDeg, double LongitudeDeg, double RowAzimuthDeg, DateOnly Day);
