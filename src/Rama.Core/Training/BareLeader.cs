using Rama.Core.Explain;
using Rama.Core.Quantities;

namespace Rama.Core.Training;

/// <summary>How branches are made on a bare leader.</summary>
public enum BranchWay
{
    /// <summary>Buds taken, so that the ones kept become limbs.</summary>
    Buds,

    /// <summary>A branching agent in bands.</summary>
    Agent,
}

/// <summary>What becomes of a bud of a bare leader.</summary>
public enum BudFate
{
    /// <summary>It stays, to become a limb.</summary>
    Kept,

    /// <summary>It comes off.</summary>
    Off,

    /// <summary>It comes off with the top ones, so that no rivals grow beside the tip.</summary>
    TopOff,

    /// <summary>It stays under a band of the agent.</summary>
    Banded,

    /// <summary>It stays as it is.</summary>
    Left,
}

/// <summary>A bud of a bare leader.</summary>
/// <param name="Number">Counted from the tip, from 1.</param>
/// <param name="BelowTipCm">Below the tip, cm.</param>
/// <param name="AzimuthDeg">Direction it points to, degrees round the leader.</param>
/// <param name="Fate">What becomes of it.</param>
public sealed record LeaderBud(int Number, double BelowTipCm, double AzimuthDeg, BudFate Fate);

/// <summary>Last year's growth of a leader with its buds, and how branches are made on it.</summary>
/// <param name="Way">How.</param>
/// <param name="LengthCm">Its length, cm.</param>
/// <param name="Buds">Its buds from the tip down.</param>
/// <param name="BandsCm">Bands of an agent, cm below the tip; none where buds are taken.</param>
/// <param name="Kept">Buds that stay to become limbs.</param>
/// <param name="Off">Buds that come off.</param>
/// <param name="LimbSpacingCm">How far apart the limbs are expected, cm; null where none is.</param>
/// <param name="Quarters">Buds kept in each quarter round the leader.</param>
/// <param name="Removal">The calculation of the buds to take; null under an agent.</param>
/// <param name="Steps">The arithmetic.</param>
/// <param name="Warnings">What is unusual.</param>
public sealed record BareLeader(
    BranchWay Way,
    double LengthCm,
    IReadOnlyList<LeaderBud> Buds,
    IReadOnlyList<double> BandsCm,
    int Kept,
    int Off,
    double? LimbSpacingCm,
    IReadOnlyList<int> Quarters,
    BudRemoval? Removal,
    IReadOnlyList<Step> Steps,
    IReadOnlyList<Notice> Warnings
) : Calculated(Kept, "bud", Steps, Warnings)
{
    /// <summary>
    /// Turn from one bud to the next, degrees: two turns in five buds, as on apple, pear and stone fruit (from memory,
    /// botany).
    /// </summary>
    public const double TurnDeg = 144;

    /// <summary>Distance of bands of a branching agent, cm (common practice, no source).</summary>
    public const double BandCm = 30;

    /// <summary>Internode where nobody measured it, cm (assumption).</summary>
    public const double UsualInternodeCm = 2.4;

    /// <summary>Length of last year's growth where nobody measured it, m (assumption).</summary>
    public const double UsualLengthM = 1;

    private const double CmPerM = 100,
        Aim = (BudRemoval.AimFromCm + BudRemoval.AimToCm) / 2;

    // Buds either side of a band that the agent reaches: assumption.
    private const int UnderBand = 2;
    private const double Full = 360;
    private const int Quarter = 4;

    /// <summary>The leader as measured last, with the usual share of its buds kept; null where its growth was not
    /// measured, or is too short for a limb.</summary>
    /// <param name="measured">What was measured of young trees.</param>
    internal static BareLeader? Measured(IReadOnlyList<YoungTrees> measured)
    {
        if (measured.MaxBy(m => m.Season) is not { GrowthM: { } growth } last)
            return null;
        var (length, internode) = (growth * CmPerM, last.InternodeCm ?? UsualInternodeCm);
        var removal = BudRemoval.Of(length, internode);
        // Where buds stand closer than usual, more are taken for each one kept.
        if (removal.LimbSpacingCm is > 0 and < BudRemoval.TooCloseCm)
            removal = BudRemoval.Of(length, internode, takenEach: Aim * BudRemoval.Breaking / internode - 1);
        return removal.Kept < 1 ? null : ByBuds(removal, length, internode, BudRemoval.TopBuds, []);
    }

    /// <summary>The leader as the usual way makes it.</summary>
    /// <param name="removal">Buds to take.</param>
    /// <param name="lengthCm">Length of last year's growth, cm.</param>
    /// <param name="internodeCm">Distance of its buds, cm.</param>
    /// <param name="topBuds">Buds off at the top.</param>
    /// <param name="turned">Buds below the top, by number, that a person has kept or taken otherwise.</param>
    internal static BareLeader ByBuds(
        BudRemoval removal,
        double lengthCm,
        double internodeCm,
        double topBuds,
        IReadOnlyCollection<int> turned
    )
    {
        var count = Math.Max(1, (int)Math.Round(removal.Buds));
        var top = Math.Min(count, (int)Math.Round(topBuds));
        var keep = (int)Math.Round(removal.Kept);
        var below = count - top;
        // One kept and so many taken, the first kept as far below the top as the last is above the base.
        HashSet<int> kept =
        [
            .. Enumerable.Range(0, keep).Select(k => top + 1 + (int)Math.Floor((k + 0.5) * below / keep)),
        ];
        kept.SymmetricExceptWith(turned.Where(n => n > top && n <= count));
        List<LeaderBud> buds =
        [
            .. Enumerable
                .Range(1, count)
                .Select(n =>
                    Bud(
                        n,
                        internodeCm,
                        n <= top ? BudFate.TopOff
                            : kept.Contains(n) ? BudFate.Kept
                            : BudFate.Off
                    )
                ),
        ];
        var left = buds.Where(b => b.Fate == BudFate.Kept).ToList();
        double? apart = left.Count == 0 ? null : (lengthCm - top * internodeCm) / left.Count / BudRemoval.Breaking;
        var quarters = QuartersOf(left);
        List<Notice> warnings = [.. removal.Warnings.Where(w => w.Code == "bud-removal.caution")];
        if (apart is > 0 and (< BudRemoval.AimFromCm or > BudRemoval.AimToCm))
            warnings.Add(BudRemoval.Spacing(apart.Value));
        if (left.Count >= Quarter && quarters.Max() - quarters.Min() > Math.Max(2, left.Count / Quarter))
            warnings.Add(
                new(
                    "bare-leader.one-sided",
                    "The kept buds stand on one side. Keep some that point the other way, so that limbs turn round the "
                        + "leader."
                )
            );
        Figure told = new("buds kept", left.Count, "bud");
        return new(
            BranchWay.Buds,
            lengthCm,
            buds,
            [],
            left.Count,
            count - left.Count,
            apart,
            quarters,
            removal,
            [
                .. removal.Steps.Where(s => s.Code is "bud-removal.buds" or "bud-removal.kept"),
                new(
                    "bare-leader.limbs",
                    "(length − buds off at the top × internode) ÷ buds kept ÷ share that breaks",
                    new("limbs apart", apart ?? 0, "cm"),
                    [
                        new("length", lengthCm, "cm"),
                        new("buds off at the top", top, "bud"),
                        new("internode", internodeCm, "cm"),
                        told,
                        new("share that breaks", BudRemoval.Breaking, "1"),
                    ],
                    Sources.Assumption
                ),
            ],
            warnings
        );
    }

    /// <summary>The leader under bands of an agent.</summary>
    /// <param name="lengthCm">Length of last year's growth, cm.</param>
    /// <param name="internodeCm">Distance of its buds, cm.</param>
    internal static BareLeader ByAgent(double lengthCm, double internodeCm)
    {
        var count = Math.Max(1, (int)Math.Round(lengthCm / internodeCm));
        // Half a distance is left free at both ends.
        var bands = Math.Max(1, (int)Math.Round(lengthCm / BandCm));
        List<double> at = [.. Enumerable.Range(0, bands).Select(b => (b + 0.5) * lengthCm / bands)];
        List<LeaderBud> buds =
        [
            .. Enumerable
                .Range(1, count)
                .Select(n => Bud(n, internodeCm, BudFate.Left))
                .Select(b =>
                    at.Any(x => Math.Abs(x - b.BelowTipCm) <= UnderBand * internodeCm)
                        ? b with
                        {
                            Fate = BudFate.Banded,
                        }
                        : b
                ),
        ];
        var under = buds.Where(b => b.Fate == BudFate.Banded).ToList();
        return new(
            BranchWay.Agent,
            lengthCm,
            buds,
            at,
            under.Count,
            0,
            null,
            QuartersOf(under),
            null,
            [
                new(
                    "bare-leader.bands",
                    "length ÷ distance of bands",
                    new("bands", bands, "1"),
                    [new("length", lengthCm, "cm"), new("distance of bands", BandCm, "cm")],
                    Sources.Practice
                ),
            ],
            [
                new(
                    "bare-leader.agent",
                    "Rate, timing and protection as the label says, by licensed applicators where the law asks. Never "
                        + "together with bud removal on the same length."
                ),
            ]
        );
    }

    /// <summary>The same leader with an agent in bands instead.</summary>
    internal BareLeader WithAgent() =>
        ByAgent(LengthCm, Buds.Count > 1 ? Buds[1].BelowTipCm - Buds[0].BelowTipCm : LengthCm);

    private static LeaderBud Bud(int number, double internodeCm, BudFate fate) =>
        new(number, (number - 0.5) * internodeCm, number * TurnDeg % Full, fate);

    private static int[] QuartersOf(IReadOnlyList<LeaderBud> buds)
    {
        var quarters = new int[Quarter];
        foreach (var bud in buds)
            quarters[(int)(bud.AzimuthDeg / (Full / Quarter)) % Quarter]++;
        return quarters;
    }
}

/// <summary>A bare leader on the bench, as typed.</summary>
public sealed record BareLeaderEntry
{
    private const int MostTurned = 200;
    private const double CmPerM = 100;

    /// <summary>How branches are made.</summary>
    public BranchWay Way { get; init; }

    /// <summary>Length of last year's growth.</summary>
    public Amount? Length { get; init; }

    /// <summary>Distance of its buds.</summary>
    public Amount? Internode { get; init; }

    /// <summary>Buds off at the top; five when left out.</summary>
    public double? TopBuds { get; init; }

    /// <summary>Buds taken for each one kept; two and a half when left out.</summary>
    public double? TakenEach { get; init; }

    /// <summary>Buds, by number from the tip, kept or taken otherwise than proposed.</summary>
    public IReadOnlyList<int> Turned { get; init; } = [];

    /// <summary>The leader to begin with on the bench: as measured last, else a usual one.</summary>
    /// <param name="measured">What was measured of young trees.</param>
    public static BareLeaderEntry ToBegin(IReadOnlyList<YoungTrees> measured)
    {
        var last = measured.MaxBy(m => m.Season);
        return new()
        {
            Length = new(last?.GrowthM ?? BareLeader.UsualLengthM, "m"),
            Internode = new(last?.InternodeCm ?? BareLeader.UsualInternodeCm, "cm"),
            TopBuds = BudRemoval.TopBuds,
            TakenEach = BudRemoval.TakenEach,
        };
    }

    /// <summary>Works it out.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used; limbs closer than 8 cm are
    /// refused.</exception>
    public BareLeader Calculate()
    {
        var reader = new EntryReader();
        if (Turned.Count > MostTurned)
            reader.Add("turned", "list", $"Buds turned: expected at most {MostTurned}.");
        if (Way == BranchWay.Agent && Turned.Count > 0)
            reader.Add("turned", "conflict", "Buds are not taken where an agent is used on the same length.");
        var length = reader.Required("length", "Length", Length, Units.Length, 0.2, 4) * CmPerM;
        var internode = reader.Required("internode", "Internode", Internode, Units.Length, 0.005, 0.1) * CmPerM;
        reader.ThrowIfAny();
        if (Way == BranchWay.Agent)
            return BareLeader.ByAgent(length, internode);
        BudRemoval? removal = null;
        try
        {
            removal = new BudRemovalEntry
            {
                LengthM = length / CmPerM,
                InternodeCm = internode,
                TopBuds = TopBuds,
                TakenEach = TakenEach,
            }.Calculate();
        }
        catch (UnusableEntryException e)
        {
            // Its length is an amount here.
            foreach (var problem in e.Problems)
                reader.Add(problem.Field == "lengthM" ? "length" : problem.Field, problem.Code, problem.Message);
        }
        reader.ThrowIfAny();
        var leader = BareLeader.ByBuds(removal!, length, internode, TopBuds ?? BudRemoval.TopBuds, Turned);
        if (leader.Kept == 0)
            reader.Add("turned", "conflict", "No bud is kept: there would be no limbs.");
        else if (leader.LimbSpacingCm < BudRemoval.TooCloseCm)
            reader.Add(
                "turned",
                "conflict",
                $"Limbs would stand {leader.LimbSpacingCm:0.#} cm apart and shade each other: at least "
                    + $"{BudRemoval.TooCloseCm:0} cm are needed."
            );
        reader.ThrowIfAny();
        return leader;
    }
}
