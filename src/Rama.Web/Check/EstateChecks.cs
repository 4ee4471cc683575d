using Microsoft.Extensions.Caching.Memory;
using Rama.Core.Check;
using Rama.Core.Passes;
using Rama.Core.Prescribe.Issue;
using Rama.Core.Prescribe.Working;
using Rama.Data.Check;
using Rama.Web.Crew;
using Rama.Web.Passes;
using Rama.Web.Season;

namespace Rama.Web.Check;

/// <summary>
/// What the checks of the plantings of the estate in scope say: season page, planting, crew plan, map and the row show
/// that. It is worked out once per version of what it rests on.
/// </summary>
internal sealed class EstateChecks(CheckStore store, IMemoryCache cache)
{
    private static readonly TimeSpan KeptFor = TimeSpan.FromHours(6);

    /// <summary>The checks of each planting that has any.</summary>
    /// <param name="year">The estate with the years of its plantings.</param>
    /// <param name="cancel">Stops it.</param>
    public async Task<IReadOnlyDictionary<Guid, CheckedPlanting>> ReadAsync(EstateYear year, CancellationToken cancel)
    {
        var stamps = await store.StampsAsync(year.Season, cancel);
        Dictionary<Guid, CheckedPlanting> told = [];
        List<(PlantingYear Planting, CheckBasis Basis)> fresh = [];
        foreach (var planting in year.Plantings.Where(p => stamps.ContainsKey(p.Planting.Id)))
        {
            CheckBasis basis = new(
                stamps[planting.Planting.Id],
                planting.Planting.Facts,
                planting.Reports.Values.Sum(r => r.Count),
                planting.Progress.Values.Sum(p => p.TreesDone)
            );
            if (
                cache.TryGetValue(KeyOf(year, planting), out (CheckBasis Basis, CheckedPlanting Told) kept)
                && kept.Basis == basis
            )
                told.Add(planting.Planting.Id, kept.Told);
            else
                fresh.Add((planting, basis));
        }
        if (fresh.Count == 0)
            return told;
        List<Guid> ids = [.. fresh.Select(f => f.Planting.Planting.Id)];
        var (checks, cards) = (
            await store.ChecksAsync(year.Season, ids, cancel),
            await store.CardsAsync(year.Season, ids, cancel)
        );
        foreach (var (planting, basis) in fresh)
        {
            var id = planting.Planting.Id;
            IReadOnlyList<KeptCheck> kept = [.. checks[id]];
            CheckedPlanting one = new(
                kept,
                PlantingChecks.Of([.. kept.Select(c => (c.At, c.Entry.Read()))], [.. cards[id]], TermsOf(planting))
            );
            cache.Set(KeyOf(year, planting), (basis, one), KeptFor);
            told.Add(id, one);
        }
        return told;
    }

    /// <summary>What the card in hand asks for by trunk class; none before one was handed out.</summary>
    /// <param name="season">The season.</param>
    /// <param name="planting">The planting.</param>
    /// <param name="cancel">Stops it.</param>
    public async Task<IReadOnlyList<KitAsked>> AskedAsync(int season, Guid planting, CancellationToken cancel) =>
        [.. (await CardAsync(season, planting, cancel))?.Classes.Select(KitAsked.Of) ?? []];

    private async Task<IssuedPrescription?> CardAsync(int season, Guid planting, CancellationToken cancel) =>
        (await store.CardsAsync(season, [planting], cancel))[planting].LastOrDefault().Card;

    /// <summary>What checking a planting in the row needs; null where nothing is to be checked.</summary>
    /// <param name="year">The estate with the years of its plantings.</param>
    /// <param name="planting">The planting.</param>
    /// <param name="cancel">Stops it.</param>
    public async Task<KitCheck?> KitAsync(EstateYear year, Guid planting, CancellationToken cancel)
    {
        if (year.Find(planting) is not { } of || PassesOf(of) is not { Count: > 0 } passes)
            return null;
        var said = (await ReadAsync(year, cancel)).GetValueOrDefault(planting);
        var card = await CardAsync(year.Season, planting, cancel);
        return new(
            passes,
            [.. card?.Classes.Select(KitAsked.Of) ?? []],
            card?.Tolerance ?? 0,
            card?.Way is WayOfWorking.Gauge or WayOfWorking.Count,
            of.Planting.Facts?.Checks?.Draw(of.Planting.Line.Code, year.Season) ?? [],
            [
                .. (said?.Says.Trees ?? [])
                    .Select(t => t.Check)
                    .Select(c => new KitChecked(c.Row, c.Tree, c.Pass, c.Day, c.Pruner, c.AfterPruning)),
            ],
            TreeDraw.LeastADay,
            CheckedTree.Believed,
            ToldVerdict.Of(said?.Says.All),
            [
                .. (said?.Says.Crews ?? [])
                    .Concat(said?.Says.Pruners ?? [])
                    .Select(h => (h.Who, Told: ToldVerdict.Of(h.Verdict)))
                    .Where(h => h.Told is not null)
                    .Select(h => new KitHand(h.Who, h.Told!)),
            ],
            TodayPerson.AllOf(year.Crews)
        );
    }

    /// <summary>Passes of a planting whose trees are checked: those that end at the number.</summary>
    /// <param name="planting">The planting.</param>
    public static IReadOnlyList<string> PassesOf(PlantingYear planting) =>
        [.. (planting.Programme?.Passes ?? []).Where(p => p.IsWinter && p.Id != PassIds.Major).Select(p => p.Id)];

    /// <summary>Share of a planting that is pruned.</summary>
    /// <param name="planting">The planting.</param>
    public static double DoneOf(PlantingYear planting) =>
        PassesOf(planting).Select(planting.Done).DefaultIfEmpty(0).Max();

    private static CheckTerms TermsOf(PlantingYear planting)
    {
        var (facts, passes) = (planting.Planting.Facts?.Checks, PassesOf(planting));
        return new(
            new(
                facts?.Places ?? [],
                passes.ToHashSet(),
                passes.ToDictionary(
                    p => p,
                    p => planting.Progress.GetValueOrDefault(p)?.RowsDone ?? (IReadOnlyList<int>)[]
                )
            ),
            DoneOf(planting),
            planting.Planting.Facts?.Terms.Trees ?? 0,
            facts?.BudsWanted,
            facts?.FruitPerBud ?? 0,
            facts?.Costs,
            facts?.Fruit,
            planting.CrewOfRow(passes)
        );
    }

    private static (string, Guid, Guid, int) KeyOf(EstateYear year, PlantingYear planting) =>
        ("checks", year.Estate.Id, planting.Planting.Id, year.Season);

    // The facts are the same object as long as the plan is: so are they compared.
    private sealed record CheckBasis(CheckStamp Stamp, ProgrammeFacts? Facts, int Reports, double TreesDone)
    {
        public bool Equals(CheckBasis? other) =>
            other is not null
            && ReferenceEquals(Facts, other.Facts)
            && (Stamp, Reports, TreesDone) == (other.Stamp, other.Reports, other.TreesDone);

        public override int GetHashCode() => HashCode.Combine(Stamp, Reports, TreesDone);
    }
}

/// <summary>A planting's checks and what they say.</summary>
/// <param name="Kept">The checks in force, in the order they were made.</param>
/// <param name="Says">What they say.</param>
internal sealed record CheckedPlanting(IReadOnlyList<KeptCheck> Kept, PlantingChecks Says);
