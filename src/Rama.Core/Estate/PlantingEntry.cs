using Rama.Core.Explain;

namespace Rama.Core.Estate;

/// <summary>A planting as typed: what grows there, on which ground, since when.</summary>
public sealed record PlantingEntry : DensityEntry
{
    /// <summary>
    /// Longest code of a planting or block, characters: room for a name where blocks have no other code.
    /// </summary>
    public const int LongestCode = 20;

    /// <summary>Site of the block; the estate's first site when left out.</summary>
    public string? Site { get; init; }

    /// <summary>
    /// Short name of the block the planting stands in; the planting's own code when left out, as most blocks hold one
    /// planting.
    /// </summary>
    public string? Block { get; init; }

    /// <summary>Short name of the planting, such as <c>H7</c>; no other planting of the estate has it.</summary>
    public string? Code { get; init; }

    /// <summary>Name of the planting.</summary>
    public string? Name { get; init; }

    /// <summary>Variety, a name of the catalogue.</summary>
    public string? Variety { get; init; }

    /// <summary>Rootstock, a name of the catalogue.</summary>
    public string? Rootstock { get; init; }

    /// <summary>Identifier of the training system, such as <c>tall-spindle</c>.</summary>
    public string? System { get; init; }

    /// <summary>Calendar year of planting; that season is the first leaf.</summary>
    public double? YearPlanted { get; init; }

    /// <summary>What the estate keeps of it in columns of its own.</summary>
    public IReadOnlyList<FreeValue> Free { get; init; } = [];

    /// <summary>Whether another entry says the same.</summary>
    public bool SaysTheSame(PlantingEntry other) =>
        this with { Free = other.Free } == other && Free.SequenceEqual(other.Free);

    /// <summary>Reads the entry against the catalogue and the season.</summary>
    /// <param name="season">Calendar year of the harvest planned for.</param>
    /// <param name="catalogue">The estate's catalogue; the shipped one when left out.</param>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public Planting Read(int season, Catalogue? catalogue = null)
    {
        catalogue ??= Catalogue.Shipped;
        var reader = new EntryReader();
        var site = reader.OptionalText("site", "Site", Site, 60);
        var code = reader.Text("code", "Planting", Code, LongestCode);
        var block = reader.OptionalText("block", "Block", Block, LongestCode) ?? code;
        var name = reader.Text("name", "Name", Name, 60);
        var form = reader.Under("", ReadForm);
        var year = reader.RequiredWhole("yearPlanted", "Year planted", YearPlanted, "", 1900, season);
        var variety = catalogue.Variety(Variety);
        if (variety is null)
            reader.Add("variety", "unknown", "Variety: please choose one from the catalogue.");
        var rootstock = catalogue.Rootstock(Rootstock);
        if (rootstock is null)
            reader.Add("rootstock", "unknown", "Rootstock: please choose one from the catalogue.");
        else if (variety is not null && !rootstock.IsFor(variety.Crop))
            reader.Add(
                "rootstock",
                "conflict",
                $"Rootstock: {rootstock.Name} is a stock for {rootstock.Crop}, {variety.Name} is {variety.Crop}."
            );
        var system = catalogue.System(System);
        if (system is null)
            reader.Add("system", "unknown", "System: please choose a training system.");
        else if (variety is not null && !system.Crops.Contains(variety.Crop))
            reader.Add("system", "conflict", $"System: {system.Name.In("en")} is not used for {variety.Crop}.");
        FreeValue.Check(reader, Free);
        reader.ThrowIfAny();
        return new(site, block, code, name, variety!, rootstock!, system!, (int)year, season - (int)year + 1, form!);
    }
}
