using Rama.Core.Quantities;
using Rama.Core.Training;
using Rama.Data.History;

namespace Rama.Data.Training;

/// <summary>What was measured on young trees of a planting at the end of a season, as entered.</summary>
public sealed class YoungTreesRecord : IHistoried
{
    /// <inheritdoc />
    public Guid EstateId { get; init; }

    /// <summary>The planting.</summary>
    public Guid PlantingId { get; init; }

    /// <summary>Calendar year of the harvest.</summary>
    public int Season { get; init; }

    /// <inheritdoc cref="YoungTreesEntry.Height" />
    public Amount Height { get; private set; } = new();

    /// <inheritdoc cref="YoungTreesEntry.Girth" />
    public Amount Girth { get; private set; } = new();

    /// <inheritdoc cref="YoungTreesEntry.Limbs" />
    public double? Limbs { get; private set; }

    /// <inheritdoc cref="YoungTreesEntry.Growth" />
    public Amount Growth { get; private set; } = new();

    /// <inheritdoc cref="YoungTreesEntry.Internode" />
    public Amount Internode { get; private set; } = new();

    /// <inheritdoc cref="YoungTreesEntry.Trees" />
    public int? Trees { get; private set; }

    /// <summary>PostgreSQL's row version; 0 while nothing is saved.</summary>
    public uint Version { get; private set; }

    HistoryPlace IHistoried.Place => new("youngTrees", PlantingId, Season);

    /// <summary>Takes over what the core has read without a problem.</summary>
    public void TakeOver(YoungTreesEntry entry)
    {
        (Height, Girth) = (entry.Height ?? new(), entry.Girth ?? new());
        (Growth, Internode) = (entry.Growth ?? new(), entry.Internode ?? new());
        (Limbs, Trees) = (entry.Limbs, (int?)entry.Trees);
    }

    /// <summary>The measures as the core knows them; they were read when they were saved.</summary>
    public YoungTrees ToTrees() => ToEntry().Read(Season, Season);

    /// <summary>The measures as they were typed.</summary>
    public YoungTreesEntry ToEntry() =>
        new()
        {
            Height = Typed(Height),
            Girth = Typed(Girth),
            Limbs = Limbs,
            Growth = Typed(Growth),
            Internode = Typed(Internode),
            Trees = Trees,
        };

    private static Amount? Typed(Amount amount) => amount.Value is null ? null : amount;
}
