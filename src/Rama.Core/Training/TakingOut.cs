using Rama.Core.Explain;

namespace Rama.Core.Training;

/// <summary>
/// Taking trees, rows or the whole block out, held against keeping all, over the years ahead and in money of today.
/// </summary>
/// <param name="Keep">What keeping all brings a hectare.</param>
/// <param name="TakeOut">What taking out brings a hectare.</param>
/// <param name="BreakEvenDecline">Decline of the dense block a year from which taking out pays, as a share; null where
/// none up to a half does.</param>
/// <param name="ShareOut">Share of the trees that go.</param>
/// <param name="Years">Year by year.</param>
/// <param name="Steps">The arithmetic.</param>
public sealed record TakingOut(
    double Keep,
    double TakeOut,
    double? BreakEvenDecline,
    double ShareOut,
    IReadOnlyList<TakingOutYear> Years,
    IReadOnlyList<Step> Steps
) : Calculated(TakeOut - Keep, "money/ha", Steps, [])
{
    /// <summary>Whether taking out brings more.</summary>
    public bool Pays => TakeOut > Keep;

    /// <summary>Decline a year of a block that stands too dense, as a share (assumption).</summary>
    public const double UsualDecline = 0.04;

    private const double SteepestDecline = 0.5;

    /// <summary>Compares the two.</summary>
    /// <param name="terms">What is known of the block.</param>
    /// <remarks>Amounts fall due at the end of their year, and the decline is felt from the first on. Source: derived.
    /// </remarks>
    public static TakingOut Of(TakingOutTerms terms)
    {
        List<TakingOutYear> years =
        [
            .. terms.CropShares.Select(
                (share, i) =>
                    new TakingOutYear(
                        i + 1,
                        KeptKg(terms, terms.Decline, i + 1),
                        terms.KgPerHa * share,
                        KeptMoney(terms, terms.Decline, i + 1),
                        terms.KgPerHa * share * terms.MarginPerKg
                            - (i == 0 ? terms.FirstHoursPerHa : terms.LaterHoursPerHa) * terms.Wage
                            - (i == 0 ? terms.GrubbingPerHa : 0)
                    )
            ),
        ];
        var takeOut = years.Select(y => y.OutMoneyPerHa).PresentValue(terms.Rate);
        var keep = KeepOf(terms, terms.Decline);
        Figure[] common =
        [
            new("crop", terms.KgPerHa, "kg/ha"),
            new("margin", terms.MarginPerKg, "money/kg"),
            new("wage", terms.Wage, "money/h"),
            new("discount", terms.Rate, "share"),
        ];
        return new(
            keep,
            takeOut,
            BreakEven(terms, takeOut),
            terms.ShareOut,
            years,
            [
                new(
                    "taking-out.keep",
                    "Σ (crop × (1 − decline) ^ year × margin − hours × wage) ÷ (1 + discount) ^ year",
                    new("keeping all", keep, "money/ha"),
                    [
                        .. common,
                        new("decline", terms.Decline, "share"),
                        new("hours", terms.KeptHoursPerHa, "h/ha"),
                        new("years", terms.CropShares.Count, "year"),
                    ],
                    Sources.Assumption
                ),
                new(
                    "taking-out.out",
                    "Σ (crop × share of before × margin − hours × wage − grubbing) ÷ (1 + discount) ^ year",
                    new("taking out", takeOut, "money/ha"),
                    [
                        .. common,
                        new("hours in the first year", terms.FirstHoursPerHa, "h/ha"),
                        new("hours later", terms.LaterHoursPerHa, "h/ha"),
                        new("grubbing", terms.GrubbingPerHa, "money/ha"),
                    ],
                    Sources.Assumption
                ),
            ]
        );
    }

    private static double KeepOf(TakingOutTerms terms, double decline) =>
        Enumerable
            .Range(1, terms.CropShares.Count)
            .Select(year => KeptMoney(terms, decline, year))
            .PresentValue(terms.Rate);

    private static double KeptKg(TakingOutTerms terms, double decline, int year) =>
        terms.KgPerHa * Math.Pow(1 - decline, year);

    private static double KeptMoney(TakingOutTerms terms, double decline, int year) =>
        KeptKg(terms, decline, year) * terms.MarginPerKg - terms.KeptHoursPerHa * terms.Wage;

    // Keeping falls with the decline, so that halving the span finds where the two meet.
    private static double? BreakEven(TakingOutTerms terms, double takeOut)
    {
        if (KeepOf(terms, 0) <= takeOut)
            return 0;
        if (KeepOf(terms, SteepestDecline) > takeOut)
            return null;
        var (low, high) = (0.0, SteepestDecline);
        while (high - low > 1e-9)
        {
            var middle = (low + high) / 2;
            if (KeepOf(terms, middle) > takeOut)
                low = middle;
            else
                high = middle;
        }
        return (low + high) / 2;
    }
}

/// <summary>What is known of a block from which trees may be taken.</summary>
/// <param name="KgPerHa">Crop now, kg/ha.</param>
/// <param name="MarginPerKg">Margin before labour, money/kg.</param>
/// <param name="Wage">Wage, money/h.</param>
/// <param name="KeptHoursPerHa">Hours a year with all trees, h/ha.</param>
/// <param name="FirstHoursPerHa">Hours in the first year after, h/ha.</param>
/// <param name="LaterHoursPerHa">Hours in later years, h/ha.</param>
/// <param name="GrubbingPerHa">Cost of taking them out, money/ha.</param>
/// <param name="Rate">Discount a year, as a share.</param>
/// <param name="Decline">Decline a year of the block as it stands, as a share.</param>
/// <param name="CropShares">Crop by year after, as a share of now.</param>
/// <param name="ShareOut">Share of the trees that go.</param>
public sealed record TakingOutTerms(
    double KgPerHa,
    double MarginPerKg,
    double Wage,
    double KeptHoursPerHa,
    double FirstHoursPerHa,
    double LaterHoursPerHa,
    double GrubbingPerHa,
    double Rate,
    double Decline,
    IReadOnlyList<double> CropShares,
    double ShareOut
);

/// <summary>One year of both ways.</summary>
/// <param name="Year">Years from now, from 1.</param>
/// <param name="KeptKgPerHa">Crop where all are kept, kg/ha.</param>
/// <param name="OutKgPerHa">Crop where they go, kg/ha.</param>
/// <param name="KeptMoneyPerHa">What keeping all brings, money/ha.</param>
/// <param name="OutMoneyPerHa">What taking out brings, money/ha.</param>
public sealed record TakingOutYear(
    int Year,
    double KeptKgPerHa,
    double OutKgPerHa,
    double KeptMoneyPerHa,
    double OutMoneyPerHa
);

/// <summary>A block from which trees may be taken, as typed.</summary>
public sealed record TakingOutEntry
{
    private const int MostYears = 30;

    /// <summary>Crop now, t/ha.</summary>
    public double? TonnesPerHa { get; init; }

    /// <summary>Margin before labour, money a kg.</summary>
    public double? MarginPerKg { get; init; }

    /// <summary>Wage, money an hour.</summary>
    public double? Wage { get; init; }

    /// <summary>Hours a year with all trees, h/ha.</summary>
    public double? KeptHoursPerHa { get; init; }

    /// <summary>What goes: tree, row or whole; every second tree when left out.</summary>
    public string? Pattern { get; init; }

    /// <summary>Every how many trees or rows one goes; 2 when left out.</summary>
    public double? Every { get; init; }

    /// <summary>Hours in the first year after, h/ha; as usual for the share that goes when left out.</summary>
    public double? FirstHoursPerHa { get; init; }

    /// <summary>Hours in later years, h/ha; as in the first when that is told, else as usual.</summary>
    public double? LaterHoursPerHa { get; init; }

    /// <summary>Cost of taking them out, money/ha.</summary>
    public double? GrubbingPerHa { get; init; }

    /// <summary>Discount a year, %; none when left out.</summary>
    public double? DiscountPercent { get; init; }

    /// <summary>Decline a year of the block as it stands, %; 4 when left out.</summary>
    public double? DeclinePercent { get; init; }

    /// <summary>Crop by year after, % of now; as usual for what goes when left out: 60, 75, 90, 98 and 100 for every
    /// second tree.</summary>
    public IReadOnlyList<double>? CropPercent { get; init; }

    /// <summary>Works it out.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public TakingOut Calculate()
    {
        var reader = new EntryReader();
        var tonnes = reader.Required("tonnesPerHa", "Crop", TonnesPerHa, "t/ha", 0.1, 200);
        var margin = reader.Required("marginPerKg", "Margin before labour", MarginPerKg, "", 0, 100);
        var wage = reader.Required("wage", "Wage", Wage, "", 0.01, 1_000);
        var kept = reader.Required("keptHoursPerHa", "Hours with all trees", KeptHoursPerHa, "h/ha", 0, 5_000);
        var taken = reader.Under("", () => Taken.Read(Pattern, Every));
        var first = reader.Optional("firstHoursPerHa", "Hours in the first year", FirstHoursPerHa, "h/ha", 0, 5_000);
        var later = reader.Optional("laterHoursPerHa", "Hours in later years", LaterHoursPerHa, "h/ha", 0, 5_000);
        var grubbing = reader.Required("grubbingPerHa", "Grubbing", GrubbingPerHa, "", 0, 1_000_000);
        var rate = reader.Optional("discountPercent", "Discount", DiscountPercent, "%", 0, 50) ?? 0;
        var decline = reader.Optional("declinePercent", "Decline", DeclinePercent, "%", 0, 50);
        if (CropPercent is { Count: 0 or > MostYears })
            reader.Add("cropPercent", "list", $"Crop by year: expected 1 to {MostYears} years.");
        foreach (var (i, share) in (CropPercent ?? []).Take(MostYears).Index())
            reader.Required($"cropPercent[{i}]", $"Crop of year {i + 1}", share, "%", 0, 200);
        reader.ThrowIfAny();
        return TakingOut.Of(
            new(
                tonnes * 1_000,
                margin,
                wage,
                kept,
                first ?? kept * taken!.FirstHours,
                later ?? first ?? kept * taken!.LaterHours,
                grubbing,
                rate / 100,
                decline / 100 ?? TakingOut.UsualDecline,
                CropPercent?.Select(s => s / 100).ToList() ?? taken!.Crop,
                taken!.Share
            )
        );
    }
}
