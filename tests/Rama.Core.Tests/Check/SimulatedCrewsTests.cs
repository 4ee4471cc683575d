using MathNet.Numerics.Distributions;
using Rama.Core.Check;

namespace Rama.Core.Tests.Check;

/// <summary>
/// Crews made up by chance, three trees of each pruner checked a day, trees that differ by 20 %: after how many days
/// something is said of them, and how often wrongly. The figures stand in docs/science.md.
/// </summary>
public sealed class SimulatedCrewsTests(ITestOutputHelper output)
{
    private const int Days = 20,
        Runs = 600;

    [Fact]
    public void On_target_few_are_told_off()
    {
        var crews = Crews(6, (_, _) => 1);
        Tell("on target", crews);
        // Of six pruners over four weeks.
        Assert.InRange(crews.Average(c => c.Pruners.Count(p => p.Blamed is not null)) / 6, 0, 0.35);
        // And those are taken back soon.
        Assert.InRange(crews.SelectMany(c => c.Pruners).Average(p => p.DaysBlamed), 0, 1);
        Assert.InRange(Share(crews, c => c.Crew.OnTarget is not null), 0.97, 1);
        Assert.InRange(Median(crews.Select(c => c.Crew.OnTarget)), 1, 2);
    }

    [Fact]
    public void A_crew_a_seventh_too_hard_is_found_within_days()
    {
        var crews = Crews(6, (_, _) => 0.85);
        Tell("15 % too hard, all six", crews);
        Assert.InRange(Share(crews, c => c.Crew.Blamed is <= 3), 0.9, 1);
        Assert.InRange(Share(crews, c => c.Crew.WronglyBlamed), 0, 0.001);
    }

    [Fact]
    public void One_pruner_alone_is_found_in_three_or_four_days()
    {
        var crews = Crews(1, (_, _) => 0.85);
        Tell("15 % too hard, alone", crews);
        Assert.InRange(Median(crews.Select(c => c.Pruners[0].Blamed)), 2, 4);
        Assert.InRange(Share(crews, c => c.Pruners[0].Blamed is <= 8), 0.9, 1);
    }

    [Fact]
    public void A_pruner_who_drifts_is_found()
    {
        // 2 % harder every day.
        var crews = Crews(1, (_, day) => 1 - 0.02 * day);
        Tell("2 % harder every day, alone", crews);
        Assert.InRange(Median(crews.Select(c => c.Pruners[0].Blamed)), 4, 11);
    }

    [Fact]
    public void One_hard_pruner_among_six_is_told_from_the_others()
    {
        var crews = Crews(6, (pruner, _) => pruner == 0 ? 0.8 : 1);
        Tell("one of six 20 % too hard", crews);
        Assert.InRange(Median(crews.Select(c => c.Pruners[0].Blamed)), 1, 3);
        // The first one blamed is he.
        Assert.InRange(
            Share(crews, c => c.Pruners.Skip(1).All(p => (p.Blamed ?? Days + 1) >= (c.Pruners[0].Blamed ?? Days))),
            0.85,
            1
        );
    }

    private sealed record Told(int? Blamed, bool WronglyBlamed, int? OnTarget, double DaysBlamed);

    private sealed record Simulated(Told Crew, IReadOnlyList<Told> Pruners);

    private static List<Simulated> Crews(int pruners, Func<int, int, double> share)
    {
        var random = new Random(20270127);
        return [.. Enumerable.Range(0, Runs).Select(_ => One(random, pruners, share))];
    }

    private static Simulated One(Random random, int pruners, Func<int, int, double> share)
    {
        var sigma = CutSpread.Usual;
        var of = Enumerable.Range(0, pruners).Select(_ => new List<double>()).ToList();
        List<double> all = [];
        List<CutVerdict>[] told = [.. Enumerable.Range(0, pruners + 1).Select(_ => new List<CutVerdict>())];
        for (var day = 1; day <= Days; day++)
        {
            for (var tree = 0; tree < TreeDraw.LeastADay; tree++)
            for (var p = 0; p < pruners; p++)
            {
                var ratio = Math.Log(share(p, day)) + Normal.Sample(random, -sigma * sigma / 2, sigma);
                of[p].Add(ratio);
                all.Add(ratio);
            }
            var spread = CutSpread.Of(of);
            for (var p = 0; p < pruners; p++)
                told[p].Add(CutVerdict.Of(of[p], spread, 0.1));
            told[pruners].Add(CutVerdict.Of(all, spread, 0.1));
        }
        Told Summed(List<CutVerdict> days, bool isHard)
        {
            bool Is(CutVerdict v) => v.Kind is VerdictKind.TooFew or VerdictKind.TooMany;
            return new(
                DayOf(days, Is),
                days.Any(v => Is(v) && (!isHard || v.Kind == VerdictKind.TooMany)),
                DayOf(days, v => v.Kind == VerdictKind.OnTarget),
                days.Count(Is)
            );
        }
        return new(
            Summed(told[pruners], share(0, Days) < 1),
            [.. Enumerable.Range(0, pruners).Select(p => Summed(told[p], share(p, Days) < 1))]
        );
    }

    private static int? DayOf(List<CutVerdict> days, Func<CutVerdict, bool> what) =>
        days.FindIndex(v => what(v)) is >= 0 and var day ? day + 1 : null;

    private static double Share(List<Simulated> crews, Func<Simulated, bool> what) => crews.Count(what) / (double)Runs;

    private static double Median(IEnumerable<int?> days) => days.Select(d => d ?? Days + 1).Order().ElementAt(Runs / 2);

    private void Tell(string who, List<Simulated> crews)
    {
        static string TellDays(IEnumerable<int?> of)
        {
            var days = of.Select(d => d ?? Days + 1).Order().ToList();
            return $"{days[Runs / 2]} days, nine in ten {days[Runs * 9 / 10]}";
        }
        var first = crews.Select(c => c.Pruners[0]).ToList();
        var others = crews.SelectMany(c => c.Pruners.Skip(1)).Select(p => p.Blamed is null ? 0.0 : 1).DefaultIfEmpty(0);
        output.WriteLine(
            $"{who}: crew said {TellDays(crews.Select(c => c.Crew.Blamed))}; "
                + $"on target {TellDays(crews.Select(c => c.Crew.OnTarget))}; "
                + $"first pruner {TellDays(first.Select(p => p.Blamed))}; "
                + $"ever blamed: crew {Share(crews, c => c.Crew.Blamed is not null):0.000}, "
                + $"first {first.Average(p => p.Blamed is null ? 0.0 : 1):0.000}, others {others.Average():0.000}; "
                + $"days blamed {crews.Average(c => c.Pruners.Average(p => p.DaysBlamed)):0.00}"
        );
    }
}
