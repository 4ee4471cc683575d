using Microsoft.Extensions.Caching.Memory;
using Rama.Core.Check;
using Rama.Core.Result.Counts;
using Rama.Core.Result.Forecast;
using Rama.Data.Field;
using Rama.Data.Result;
using Rama.Web.Check;
using Rama.Web.Passes;
using Rama.Web.Season;

namespace Rama.Web.Result;

/// <summary>
/// The crop of the season on the plantings of the estate in scope, as counts and checks tell it: the year, its hours,
/// the card of the thinners and the row show that. It is worked out once per version of what it rests on.
/// </summary>
internal sealed class EstateCrops(CropStore store, FieldInbox inbox, EstateChecks checks, IMemoryCache cache)
{
    private static readonly TimeSpan KeptFor = TimeSpan.FromHours(6);

    /// <summary>The crop of each planting where more is known than its plan says.</summary>
    /// <param name="year">The estate with the years of its plantings, as far as their plans go.</param>
    /// <param name="cancel">Stops it.</param>
    public async Task<IReadOnlyDictionary<Guid, CountedCrop>> ReadAsync(EstateYear year, CancellationToken cancel)
    {
        var stamps = await inbox.StampsAsync(FieldKind.Crop, year.Season, cancel);
        var says = await checks.ReadAsync(year, cancel);
        Dictionary<Guid, CountedCrop> told = [];
        List<(PlantingYear Planting, CropBasis Basis)> fresh = [];
        foreach (var planting in year.Plantings)
        {
            var id = planting.Planting.Id;
            var found = says.GetValueOrDefault(id)?.Says;
            var stamp = stamps.GetValueOrDefault(id);
            if (found is null && stamp.InForce == 0)
                continue;
            CropBasis basis = new(stamp, found, EstateChecks.DoneOf(planting), planting.Planting.Facts);
            if (cache.TryGetValue(KeyOf(year, id), out (CropBasis Basis, CountedCrop Told) kept) && kept.Basis == basis)
                told.Add(id, kept.Told);
            else
                fresh.Add((planting, basis));
        }
        if (fresh.Count == 0)
            return told;
        List<Guid> ids = [.. fresh.Select(f => f.Planting.Planting.Id)];
        var counted = await store.CountsAsync(year.Season, ids, cancel);
        foreach (var (planting, basis) in fresh)
        {
            var id = planting.Planting.Id;
            IReadOnlyList<KeptCropCount> kept = [.. counted[id]];
            var counts = CropCounts.Of(kept.Select(c => c.Entry.Read()));
            CountedCrop one = new(
                kept,
                counts,
                basis.Says?.AfterPruning,
                planting.Planting.Facts?.CropWith(basis.Says, basis.Done, counts)
            );
            cache.Set(KeyOf(year, id), (basis, one), KeptFor);
            told.Add(id, one);
        }
        return told;
    }

    private static (string, Guid, Guid, int) KeyOf(EstateYear year, Guid planting) =>
        ("crop", year.Estate.Id, planting, year.Season);

    // Facts and verdicts are the same objects as long as what they rest on is: so are they compared.
    private sealed record CropBasis(FieldStamp Stamp, PlantingChecks? Says, double Done, ProgrammeFacts? Facts)
    {
        public bool Equals(CropBasis? other) =>
            other is not null
            && (Stamp, Done) == (other.Stamp, other.Done)
            && ReferenceEquals(Says, other.Says)
            && ReferenceEquals(Facts, other.Facts);

        public override int GetHashCode() => Stamp.GetHashCode();
    }
}

/// <summary>What was found of the crop of a planting.</summary>
/// <param name="Kept">Its counts in force, in the order they were made.</param>
/// <param name="Counts">Those added up.</param>
/// <param name="Left">What the walk after pruning says; null for none.</param>
/// <param name="Crop">The crop as it is known today; null before there is a target.</param>
internal sealed record CountedCrop(
    IReadOnlyList<KeptCropCount> Kept,
    CropCounts Counts,
    LeftAfterPruning? Left,
    CropOnTrees? Crop
);
