using Microsoft.EntityFrameworkCore;
using Rama.Core.Explain;
using Rama.Core.Passes;
using Rama.Core.Plan;
using Rama.Data.Database;
using Rama.Data.Estate;

namespace Rama.Data.Passes;

/// <summary>Saves days of the year of many plantings at once, in the season at hand.</summary>
public sealed class NotedDaysStore(RamaContext database, EstateStore estates)
{
    /// <summary>Notes days, all of them or none.</summary>
    /// <exception cref="UnusableEntryException">A day cannot be so, or somebody changed a plan meanwhile; nothing is
    /// saved.</exception>
    public async Task SaveAsync(IReadOnlyList<PlantingDay> days, CancellationToken cancel)
    {
        var estate = await estates.ReadAsync(cancel);
        var ids = days.Select(d => d.Planting).ToHashSet();
        var plans = await database
            .SeasonPlans.Where(p => p.Season == estate.Season && ids.Contains(p.PlantingId))
            .ToDictionaryAsync(p => p.PlantingId, cancel);
        var codes = await database
            .Plantings.Where(p => ids.Contains(p.Id))
            .ToDictionaryAsync(p => p.Id, p => p.Code, cancel);
        EntryReader reader = new();
        foreach (var planting in days.Index().GroupBy(d => d.Item.Planting))
        {
            if (!codes.TryGetValue(planting.Key, out var code))
            {
                reader.Add("days", "unknown", "Plantings: one of them is not there any more.");
                continue;
            }
            var plan = plans.GetValueOrDefault(planting.Key);
            if (planting.Any(d => d.Item.Version != (plan?.Version ?? 0)))
            {
                reader.Add("days", "changed", $"{code}: someone else changed this meanwhile. Look at it again.");
                continue;
            }
            plan ??= new()
            {
                EstateId = estate.Id,
                PlantingId = planting.Key,
                Season = estate.Season,
            };
            var noted = With(plan.ToDays(), planting.Select(d => d.Item));
            try
            {
                noted.ReadIn(estate.Season);
            }
            catch (UnusableEntryException e)
            {
                foreach (var (i, day) in planting)
                    reader.Add($"days[{i}].day", e.Problems[0].Code, $"{code}: {e.Problems[0].Message}");
                continue;
            }
            if (plan.Version == 0 && noted.Noted.Count > 0)
                database.Add(plan);
            plan.TakeOver(noted);
        }
        reader.ThrowIfAny();
        await database.SaveOrRefuseAsync("days", cancel);
    }

    private static NotedDaysEntry With(NotedDaysEntry known, IEnumerable<PlantingDay> days)
    {
        var told = known.Noted.Where(n => n.Anchor is not null).ToDictionary(n => n.Anchor!.Value, n => n.Day);
        foreach (var day in days)
            told[day.Anchor] = day.Day;
        return new()
        {
            Noted =
            [
                .. told.Where(n => n.Value is not null)
                    .Select(n => new NotedDayEntry { Anchor = n.Key, Day = n.Value }),
            ],
        };
    }
}

/// <summary>A day noted at a planting.</summary>
/// <param name="Planting">The planting.</param>
/// <param name="Version">Version of its plan; 0 without one.</param>
/// <param name="Anchor">What happened.</param>
/// <param name="Day">When; null where that is taken back.</param>
public sealed record PlantingDay(Guid Planting, uint Version, Anchor Anchor, DateOnly? Day);
