using Rama.Core.Estate;
using Rama.Core.Explain;

namespace Rama.Core.Result.Learning;

/// <summary>What a planting's seasons taught of one of its numbers.</summary>
/// <param name="Quantity">Of which.</param>
/// <param name="Shipped">The number Rama comes with.</param>
/// <param name="Learned">The number for the coming year, as taught.</param>
/// <param name="Low">Value that one coming year in ten lies below.</param>
/// <param name="High">Value that one coming year in ten lies above.</param>
/// <param name="Unit">Unit of all four.</param>
/// <param name="Seasons">Own seasons it rests on.</param>
/// <param name="AtLeast">Those of them that only tell "at least".</param>
/// <param name="HistoryUnit">Unit of the history: what was foretold may be told otherwise than what is learned.</param>
/// <param name="History">What would have been foretold of each of the latest twelve seasons before it, and what was
/// seen.</param>
/// <param name="Sentence">What it comes to.</param>
/// <param name="Steps">The arithmetic.</param>
public sealed record LearnedValue(
    LearnedQuantity Quantity,
    double Shipped,
    double Learned,
    double Low,
    double High,
    string Unit,
    int Seasons,
    int AtLeast,
    string HistoryUnit,
    IReadOnlyList<SeasonForecast> History,
    Notice Sentence,
    IReadOnlyList<Step> Steps
) : Calculated(Learned, Unit, Steps, [])
{
    // Older seasons were those of other trees.
    internal const int MostSeasons = 20;

    // A history for the eye; each of its seasons is foretold anew.
    internal const int MostTold = 12;

    /// <summary>What it is made of, the largest first: reasons of what was not packed. Empty for most.</summary>
    public IReadOnlyList<LearnedPart> Parts { get; init; } = [];
}

/// <summary>A part of what was learned.</summary>
/// <param name="Name">The part, as the pack-house calls it; null for what was not told apart.</param>
/// <param name="Share">Its share of the picked mass.</param>
public sealed record LearnedPart(string? Name, double Share);
