using Rama.Core.Explain;

namespace Rama.Core.Crops;

/// <summary>
/// A rootstock as an estate knows it, as typed: a copy of a shipped one with other facts, or one of its own.
/// </summary>
public sealed record RootstockEntry
{
    /// <summary>Name of the rootstock.</summary>
    public string? Name { get; init; }

    /// <summary>Crop grown on it; needed for one that is not shipped.</summary>
    public string? Crop { get; init; }

    /// <summary>Size of the tree on it, per cent of one on seedling, 5 to 150.</summary>
    public double? VigourPercent { get; init; }

    /// <summary>When trees on it begin to bear.</summary>
    public Precocity Precocity { get; init; }

    /// <summary>How it stands winter cold.</summary>
    public Hardiness Hardiness { get; init; }

    /// <summary>How much it suckers.</summary>
    public Suckering Suckering { get; init; }

    /// <summary>Where this comes from; the estate's own records when left out.</summary>
    public string? Source { get; init; }

    /// <summary>Reads the entry over a shipped rootstock of its name. What stays as shipped keeps its source.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public Rootstock Read()
    {
        var reader = new EntryReader();
        var name = reader.Text("name", "Name", Name, 60);
        var shipped = ShippedCrops.Rootstocks.FirstOrDefault(r => r.Name == name);
        var crop = ShippedCrops.ReadCrop(reader, name, Crop, shipped?.Crop);
        var vigour = reader.Required("vigourPercent", "Tree size", VigourPercent, "%", 5, 150);
        var source = reader.OptionalText("source", "Source", Source, 200) ?? Sources.OwnRecords;
        reader.ThrowIfAny();
        var same =
            shipped is not null
            && (shipped.Precocity, shipped.Hardiness, shipped.Suckering) == (Precocity, Hardiness, Suckering);
        return new(
            name,
            crop,
            shipped?.VigourPercent.Value == vigour ? shipped.VigourPercent : new(vigour, source),
            Precocity,
            Hardiness,
            Suckering,
            same ? shipped!.Source : source,
            shipped?.AlsoFor
        );
    }
}
