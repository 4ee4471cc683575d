using Rama.Core.Estate;
using Rama.Core.Quantities;

namespace Rama.Data.Estate;

/// <summary>A planting as entered: amounts keep the number and the unit that were typed.</summary>
public sealed class PlantingRecord
{
    public Guid EstateId { get; init; }

    public Guid Id { get; init; } = Guid.CreateVersion7();

    public string Code { get; private set; } = "";

    public string Name { get; private set; } = "";

    public string Variety { get; private set; } = "";

    public string Rootstock { get; private set; } = "";

    public string System { get; private set; } = "";

    public int YearPlanted { get; private set; }

    public Amount RowSpacing { get; private set; } = new();

    public Amount TreeSpacing { get; private set; } = new();

    public Amount Area { get; private set; } = new();

    public Amount MissingShare { get; private set; } = new();

    public Amount PollinizerShare { get; private set; } = new();

    /// <summary>PostgreSQL's row version.</summary>
    public uint Version { get; private set; }

    /// <summary>Takes over an entry the core has read without a problem.</summary>
    public void Take(PlantingEntry entry)
    {
        (Code, Name) = (entry.Code!.Trim(), entry.Name!.Trim());
        (Variety, Rootstock, System) = (entry.Variety!, entry.Rootstock!, entry.System!);
        YearPlanted = (int)entry.YearPlanted!.Value;
        (RowSpacing, TreeSpacing, Area) = (entry.RowSpacing!, entry.TreeSpacing!, entry.Area!);
        (MissingShare, PollinizerShare) = (entry.MissingShare ?? new(), entry.PollinizerShare ?? new());
    }

    public PlantingEntry ToEntry() => new()
    {
        Code = Code, Name = Name, Variety = Variety, Rootstock = Rootstock, System = System, YearPlanted = YearPlanted,
        RowSpacing = RowSpacing, TreeSpacing = TreeSpacing, Area = Area,
        MissingShare = MissingShare, PollinizerShare = PollinizerShare,
    };
}
