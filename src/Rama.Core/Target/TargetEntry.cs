using Rama.Core.Explain;
using Rama.Core.Target.Capacity;
using Rama.Core.Target.Insurance;
using Rama.Core.Target.Sharing;
using Rama.Core.Target.Size;

namespace Rama.Core.Target;

/// <summary>
/// The target of a planting for one season, as typed. The link of the chain that is held is the unit the yield is typed
/// in:
/// a yield of an area or a tree, fruit per tree, buds per tree or buds per limb; the others follow.
/// </summary>
public sealed record TargetEntry : CropTargetEntry
{
    /// <summary>
    /// Floral buds left per fruit wanted, set by hand: 1 to 6, or from 0.1 where one carries several fruit.
    /// </summary>
    public double? BudFactor { get; init; }

    /// <summary>Limbs on a mean tree, used until limbs are counted; the system's usual number when left out.</summary>
    public double? LimbsPerTree { get; init; }

    /// <summary>School of insurance and what it needs; <see cref="ChosenSchool"/> when left out.</summary>
    public InsuranceEntry? Insurance { get; init; }

    /// <summary>The canopy as it stands and as it may become.</summary>
    public CanopyEntry? Canopy { get; init; }

    /// <summary>How the target is shared among trees and along a tree.</summary>
    public SharingEntry? Sharing { get; init; }

    /// <summary>Whether nothing has been entered yet, so that an untouched target is not called wrong.</summary>
    public bool IsUntouched => Yield?.Value is null && FruitSize?.Value is null && BudFactor is null;

    /// <summary>
    /// The school it follows: the one chosen; else a fixed factor where one is typed, and years out of ten where none
    /// is and something is known of the set.
    /// </summary>
    /// <param name="known">What is known of the planting beside what is typed.</param>
    public School ChosenSchool(TargetKnown known) =>
        Insurance?.School
        ?? (BudFactor is null && known.Insurance.Set is not null ? School.ServiceLevel : School.Fixed);

    /// <summary>
    /// The target as it is kept: with the set that holds now, where it rests on one that nobody typed, so that what is
    /// learned later changes no plan that is set.
    /// </summary>
    /// <param name="known">What is known of the planting beside what is typed.</param>
    public TargetEntry Settled(TargetKnown known) =>
        ChosenSchool(known) != School.Fixed
        && known.Insurance.Set is { } set
        && Insurance
            is null
                or {
                    SetShare: null or { Value: null },
                    SetShareSd: null or { Value: null },
                    TakenSet: null or { SaysNothing: true }
                }
            ? this with
            {
                Insurance = (Insurance ?? new()) with
                {
                    TakenSet = new() { Mean = set.Mean, Sd = set.Sd },
                },
            }
            : this;

    /// <summary>The target as proposed anew: it takes the set that holds now.</summary>
    public TargetEntry Afresh() =>
        Insurance?.TakenSet is null ? this : this with { Insurance = Insurance with { TakenSet = null } };

    /// <summary>Reads the entry into SI.</summary>
    /// <param name="known">What is known of the planting beside what is typed; nothing when left out.</param>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public SeasonTarget Read(TargetKnown? known = null)
    {
        known ??= TargetKnown.Nothing;
        var reader = new EntryReader();
        var crop = reader.Under("", () => ReadCrop(known.Law, ofTarget: true));
        var school = ChosenSchool(known);
        var factor = BudFactorEntry.ReadFactor(reader, BudFactor, school, known.Insurance.Places);
        var limbs = BudFactorEntry.ReadLimbs(reader, LimbsPerTree);
        var insurance = reader.Under("insurance", () =>
            ((Insurance ?? new()) with { School = school }).Read(factor, known.Insurance)
        );
        var canopy = Canopy is null ? Capacity.Canopy.Usual : reader.Under("canopy", Canopy.Read);
        var sharing = Sharing is null ? new() : reader.Under("sharing", Sharing.Read);
        reader.ThrowIfAny();
        return new(crop! with { UsualMassG = known.UsualMassG }, insurance!, limbs, canopy!, sharing!);
    }
}

/// <summary>What is known of a planting that its target is read with.</summary>
/// <param name="Law">Mass of a fruit from its diameter.</param>
/// <param name="UsualMassG">Usual fruit mass of the variety, grams; null where it is not known.</param>
/// <param name="Insurance">What is known of its set.</param>
public sealed record TargetKnown(DiameterLaw Law, double? UsualMassG, InsuranceKnown Insurance)
{
    /// <summary>Nothing known: a round apple thinned to singles.</summary>
    public static readonly TargetKnown Nothing = new(DiameterLaw.Apple, null, InsuranceKnown.Nothing);
}
