using Rama.Data.Database;

namespace Rama.Data.History;

/// <summary>A row whose every change is kept: who, when, how and the old value.</summary>
public interface IHistoried : IEstateOwned
{
    /// <summary>Where the row belongs, for the history.</summary>
    HistoryPlace Place { get; }
}

/// <summary>Where a change belongs.</summary>
/// <param name="Subject">What kind of thing changed, such as <c>planting</c> or <c>countedTree</c>.</param>
/// <param name="PlantingId">Planting it belongs to; null where it belongs to the estate.</param>
/// <param name="Season">Season it belongs to; null where it is the same in all.</param>
/// <param name="Detail">Which one of its kind, such as <c>3/14</c> for tree 14 of row 3; empty where there is only
/// one.</param>
public sealed record HistoryPlace(string Subject, Guid? PlantingId = null, int? Season = null, string Detail = "");
