using Rama.Core.Systems;
using Rama.Core.Training.Renewal;

namespace Rama.Core.Tests.Training;

/// <summary>The ledger of renewal, handbook 3.7 and 9.3.</summary>
public sealed class RenewalLedgerTests
{
    private static RenewalTerms Terms(string system, int leaf = 14) =>
        new(TrainingSystem.Find(system)!, leaf, 2027, [], [], null);

    private static AgedTree Tree(params AgedLimb[] limbs) => new(limbs);

    private static readonly double Lcsa = Math.PI * 1.2 * 1.2 / 4; // of 12 mm

    private static IEnumerable<AgedLimb> Limbs(params int[] byAge) =>
        byAge.SelectMany((n, i) => Enumerable.Repeat(new AgedLimb(i + 1, Lcsa, 10), n));

    private static string[] Codes(RenewalTerms terms) => [.. RenewalLedger.Of(terms).Warnings.Select(w => w.Code)];

    // Handbook 9.3: 3 3 2 2 2 3 3 2 by age 1 to 8, three a year: 4.25, 4.10, 3.95, 3.85; 20 and 3 → 6.7 years.
    [Fact]
    public void The_forecast_of_the_handbook_from_limbs_counted()
    {
        var ledger = RenewalLedger.Of(
            Terms("tall-spindle") with
            {
                Counted =
                [
                    Tree([.. Limbs(3, 3, 2, 2, 2, 3, 3, 2)]),
                    Tree([.. Limbs(2, 4, 2, 2, 2, 3, 3, 2)]),
                    Tree([.. Limbs(4, 2, 2, 2, 2, 3, 3, 2)]),
                ],
                Winters = [new(2025, 3, null), new(2026, 2, null), new(2027, 4, null)],
            }
        );
        Assert.Equal(3, ledger.RenewedAWinter);
        Assert.Equal(
            [4.25, 4.10, 3.95, 3.85],
            ledger.Forecast!.Winters.Skip(1).Select(w => Math.Round(w.MeanYears, 2))
        );
        Assert.Equal(6.7, ledger.Forecast.CycleYears!.Value, 1);
        Assert.Empty(ledger.Warnings);
    }

    // Handbook 9.3: upper limits spindle 20, two-axis 10, broad canopies 5 years.
    [Theory]
    [InlineData("tall-spindle", 20)]
    [InlineData("two-axis-short-renewal", 10)]
    [InlineData("broad-canopy", 5)]
    public void Limits_of_the_cycle(string system, double years) =>
        Assert.Equal(years, TrainingSystem.Find(system)!.Renewal!.MostYears);

    [Fact]
    public void Every_shipped_system_tells_how_it_renews() =>
        Assert.All(TrainingSystem.Shipped, s => Assert.NotNull(s.Renewal));

    [Theory]
    [InlineData(0.9, "renewal.slow")]
    [InlineData(1.1, null)]
    [InlineData(6.6, null)]
    [InlineData(7, "renewal.fast")]
    public void Too_slow_and_too_fast_are_told(double renewed, string? code) =>
        Assert.Equal(
            code is null ? [] : [code],
            Codes(
                Terms("tall-spindle") with
                {
                    Counted = [Tree([.. Limbs(5, 5, 5, 5)])],
                    Winters = [new(2026, renewed, null), new(2027, renewed, null)],
                }
            )
        );

    [Fact]
    public void Nothing_for_two_winters_is_told_once_renewal_had_begun()
    {
        var terms = Terms("tall-spindle");
        Assert.Empty(Codes(terms));
        Assert.Contains("renewal.stopped", Codes(terms with { Winters = [new(2024, 2, null)] }));
        Assert.Contains(
            "renewal.stopped",
            Codes(terms with { Winters = [new(2024, 2, null), new(2025, 0, null), new(2026, 0, null)] })
        );
        Assert.DoesNotContain("renewal.stopped", Codes(terms with { Winters = [new(2025, 2, null)] }));
        // This winter's work is in the books.
        Assert.DoesNotContain(
            "renewal.stopped",
            Codes(terms with { Winters = [new(2024, 2, null), new(2027, 1, null)] })
        );
    }

    // By hand: 3 in the winter before 2024 and no word since: within the last three winters, 2024 to 2026, 1 a year; a
    // winter later none.
    [Theory]
    [InlineData(2024, 1)]
    [InlineData(2023, 0)]
    public void Silence_since_then_renewed_nothing(int season, double mean)
    {
        var terms = Terms("tall-spindle") with
        {
            Counted = [Tree([.. Limbs(5, 5, 5, 5)])],
            Winters = [new(season, 3, null)],
        };
        Assert.Equal(mean, RenewalLedger.Of(terms).RenewedAWinter);
        // Said once.
        Assert.Single(Codes(terms), c => c is "renewal.stopped" or "renewal.none");
    }

    // Of a winter between two nothing is told: 3 + 3 over three winters.
    [Fact]
    public void A_winter_without_a_word_renewed_nothing() =>
        Assert.Equal(
            2,
            RenewalLedger
                .Of(Terms("tall-spindle") with { Winters = [new(2025, 3, null), new(2027, 3, null)] })
                .RenewedAWinter
        );

    // By hand: 8 young limbs of 12 buds and 2 of 10 years with 1, all 12 mm: mean 9.8 buds; the two old ones are spent.
    // With 4 of them of 12 they are a third: not more. With 5 of 13 they are.
    [Theory]
    [InlineData(8, 2, 0.2, false)]
    [InlineData(8, 4, 0.333, false)]
    [InlineData(8, 5, 0.385, true)]
    public void Old_limbs_with_few_buds_are_spent(int young, int old, double share, bool told)
    {
        var ledger = RenewalLedger.Of(
            Terms("tall-spindle") with
            {
                Counted =
                [
                    Tree([
                        .. Enumerable.Repeat(new AgedLimb(3, Lcsa, 12), young),
                        .. Enumerable.Repeat(new AgedLimb(10, Lcsa, 1), old),
                    ]),
                ],
            }
        );
        Assert.Equal(share, ledger.SpentShare!.Value, 3);
        Assert.Equal(told, ledger.Warnings.Any(w => w.Code == "renewal.spent"));
    }

    // Old wood full of buds is not spent.
    [Fact]
    public void Age_alone_does_not_make_a_limb_spent() =>
        Assert.Equal(
            0,
            RenewalLedger.Of(Terms("tall-spindle") with { Counted = [Tree(new AgedLimb(12, Lcsa, 12))] }).SpentShare
        );

    [Fact]
    public void A_two_axis_tree_has_three_cohorts_a_leader()
    {
        var cohorts = RenewalLedger
            .Of(Terms("two-axis-short-renewal") with { Counted = [Tree([.. Limbs(10, 12, 6, 2)])] })
            .Cohorts!;
        Assert.Equal(new(5, 6, 4), cohorts);
        Assert.Null(RenewalLedger.Of(Terms("tall-spindle") with { Counted = [Tree([.. Limbs(10)])] }).Cohorts);
    }

    [Fact]
    public void Scaffolds_of_a_broad_canopy_come_round()
    {
        var terms = Terms("flush-tipped-dome"); // four scaffolds
        var first = RenewalLedger.Of(terms);
        Assert.Equal([1, 2, 3, 4], first.Scaffolds.Select(s => s.Number));
        Assert.Equal(1, first.NextScaffold);
        var begun = RenewalLedger.Of(
            terms with
            {
                Winters = [new(2024, null, 2), new(2025, null, 4), new(2026, null, 1), new(2027, null, 3)],
            }
        );
        Assert.Equal(2, begun.NextScaffold);
        Assert.Empty(begun.Warnings);
        Assert.Contains("renewal.twice", Codes(terms with { Winters = [new(2025, null, 2), new(2027, null, 2)] }));
        Assert.Contains("renewal.round-slow", Codes(terms with { Winters = [new(2020, null, 2), new(2026, null, 1)] }));
    }

    [Fact]
    public void Limbs_older_than_the_trees_are_left_out_and_told()
    {
        var ledger = RenewalLedger.Of(
            Terms("tall-spindle", leaf: 6) with
            {
                Counted = [Tree([.. Limbs(2, 2)]), Tree(new AgedLimb(7, Lcsa, 10))],
            }
        );
        Assert.Equal(1, ledger.Trees);
        Assert.Contains(ledger.Warnings, w => w.Code == "renewal.too-old");
        Assert.Equal([2, 2], ledger.Forecast!.Winters.Single().ByAge);
    }

    [Fact]
    public void As_a_calculator_it_tells_every_field_that_cannot_be_used()
    {
        RenewalLedgerEntry entry = new()
        {
            System = "tall-spindle",
            Leaf = 8,
            Season = 2027,
            Trees =
            [
                new()
                {
                    Limbs =
                    [
                        new()
                        {
                            Age = 8,
                            Diameter = new(12, "mm"),
                            Buds = 4,
                        },
                        new() { Age = 2 },
                    ],
                },
            ],
            Winters =
            [
                new()
                {
                    Season = 2026,
                    Renewal = new() { Limbs = 1 },
                },
            ],
        };
        // By hand: two limbs, one a year.
        Assert.Equal(2, entry.Calculate(TrainingSystem.Shipped).Forecast!.CycleYears);
        var bad = entry with
        {
            System = "hedge",
            Trees = [new() { Limbs = [new() { Age = 9 }, new() { Age = 0 }] }],
            Winters =
            [
                entry.Winters[0],
                entry.Winters[0],
                new()
                {
                    Season = 2020,
                    Renewal = new() { Limbs = 99 },
                },
            ],
        };
        Assert.Equal(
            [
                "system",
                "trees[0].limbs[0].age",
                "trees[0].limbs[1].age",
                "winters[1].season",
                "winters[2].season",
                "winters[2].limbs",
            ],
            Assert
                .Throws<Core.Explain.UnusableEntryException>(() => bad.Calculate(TrainingSystem.Shipped))
                .Problems.Select(p => p.Field)
        );
    }
}
