using Rama.Core.Season;
using Rama.Data.History;

namespace Rama.Data.Passes;

/// <summary>What people decided of one pass of a planting in a season, and what they reported of it.</summary>
public sealed class PassChoiceRecord : IHistoried
{
    /// <inheritdoc />
    public Guid EstateId { get; init; }

    /// <summary>The planting.</summary>
    public Guid PlantingId { get; init; }

    /// <summary>Calendar year of the harvest.</summary>
    public int Season { get; init; }

    /// <summary>The pass.</summary>
    public required string Pass { get; init; }

    /// <inheritdoc cref="PassChoice.IsAdded" />
    public bool IsAdded { get; private set; }

    /// <inheritdoc cref="PassChoice.LeftOut" />
    public string? LeftOut { get; private set; }

    /// <inheritdoc cref="PassChoice.From" />
    public DateOnly? From { get; private set; }

    /// <inheritdoc cref="PassChoice.To" />
    public DateOnly? To { get; private set; }

    /// <inheritdoc cref="PassChoice.Done" />
    public DateOnly? Done { get; private set; }

    /// <summary>PostgreSQL's row version; 0 while nothing is saved.</summary>
    public uint Version { get; private set; }

    HistoryPlace IHistoried.Place => new("pass", PlantingId, Season, Pass);

    /// <summary>Takes over what the core has read without a problem.</summary>
    public void TakeOver(PassChoice choice) =>
        (IsAdded, LeftOut, From, To, Done) = (choice.IsAdded, choice.LeftOut, choice.From, choice.To, choice.Done);

    /// <summary>The choice as the core knows it.</summary>
    public PassChoice ToChoice() => new(Pass, IsAdded, LeftOut, From, To, Done);
}
