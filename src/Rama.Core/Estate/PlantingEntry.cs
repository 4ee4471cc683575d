using Rama.Core.Explain;
using Rama.Core.Systems;

namespace Rama.Core.Estate;

/// <summary>A planting as typed: what grows there, on which ground, since when.</summary>
public sealed record PlantingEntry : DensityEntry
{
    /// <summary>Short name of the block, such as <c>H7</c>.</summary>
    public string? Code { get; init; }

    /// <summary>Name of the block.</summary>
    public string? Name { get; init; }

    /// <summary>Variety, a name of the catalogue.</summary>
    public string? Variety { get; init; }

    /// <summary>Rootstock, a name of the catalogue.</summary>
    public string? Rootstock { get; init; }

    /// <summary>Identifier of the training system, such as <c>tall-spindle</c>.</summary>
    public string? System { get; init; }

    /// <summary>Calendar year of planting; that season is the first leaf.</summary>
    public double? YearPlanted { get; init; }

    /// <summary>Reads the entry against the catalogue and the season.</summary>
    /// <param name="season">Calendar year of the harvest planned for.</param>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public Planting Read(int season)
    {
        var reader = new EntryReader();
        var code = reader.Text("code", "Block", Code, 12);
        var name = reader.Text("name", "Name", Name, 60);
        var form = reader.Under("", ReadForm);
        var year = reader.RequiredWhole("yearPlanted", "Year planted", YearPlanted, "", 1900, season);
        var variety = Catalogue.Shipped.Variety(Variety);
        if (variety is null) reader.Add("variety", "unknown", "Variety: please choose one from the catalogue.");
        var rootstock = Catalogue.Shipped.Rootstock(Rootstock);
        if (rootstock is null) reader.Add("rootstock", "unknown", "Rootstock: please choose one from the catalogue.");
        else if (variety is not null && rootstock.Crop != variety.Crop)
            reader.Add("rootstock", "conflict", $"Rootstock: {rootstock.Name} is a stock for {rootstock.Crop}, {variety.Name} is {variety.Crop}.");
        var system = TrainingSystem.Find(System);
        if (system is null) reader.Add("system", "unknown", "System: please choose a training system.");
        else if (variety is not null && !system.Crops.Contains(variety.Crop))
            reader.Add("system", "conflict", $"System: {system.Name.In("en")} is not used for {variety.Crop}.");
        reader.ThrowIfAny();
        return new(code, name, variety!, rootstock!, system!, (int)year, season - (int)year + 1, form!);
    }
}
