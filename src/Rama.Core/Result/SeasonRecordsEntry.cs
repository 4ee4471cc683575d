using Rama.Core.Explain;

namespace Rama.Core.Result;

/// <summary>What a planting brought in the seasons on record, as typed.</summary>
public sealed record SeasonRecordsEntry
{
    /// <summary>The seasons, each once.</summary>
    public IReadOnlyList<SeasonResultEntry> Seasons { get; init; } = [];

    /// <summary>Reads the entry into SI, by season.</summary>
    /// <param name="current">Season at hand.</param>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public IReadOnlyList<SeasonResult> Read(int current)
    {
        var reader = new EntryReader();
        var lines = new Dictionary<int, int>();
        List<SeasonResult> results = [];
        foreach (var (line, entry) in Seasons.Index())
        {
            if (reader.Under($"seasons[{line}]", () => entry.Read(current)) is not { } result)
                continue;
            if (!lines.TryAdd(result.Season, line))
                reader.Add(
                    $"seasons[{line}].season",
                    "duplicate",
                    $"Season {result.Season} is already on line {lines[result.Season] + 1}."
                );
            results.Add(result);
        }
        reader.ThrowIfAny();
        return [.. results.OrderBy(r => r.Season)];
    }
}
