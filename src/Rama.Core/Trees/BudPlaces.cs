using System.Collections.Immutable;

namespace Rama.Core.Trees;

/// <summary>Puts buds on wood the way a crop bears.</summary>
/// <param name="wood">The wood of the tree; darts are added.</param>
/// <param name="draw">Where chance comes from.</param>
/// <param name="bearing">How the crop bears.</param>
/// <param name="perSite">Buds at one place.</param>
/// <param name="buds">About how many places there will be.</param>
internal sealed class BudPlaces(List<Branch> wood, TreeDraw draw, BearingWood bearing, int perSite, int buds)
{
    // Which side and strength buds have: assumptions, seen in which fall first.
    private const double UpperShare = 0.35,
        UnderShare = 0.25,
        DartShare = 0.08,
        BaseM = 0.14,
        BareShare = 0.14,
        TowardsTip = 0.7;

    private readonly ImmutableArray<BudSite>.Builder _sites = ImmutableArray.CreateBuilder<BudSite>(buds);
    private int _placed,
        _here;
    private double _along;

    /// <summary>All that were placed; afterwards no more can be.</summary>
    public ImmutableArray<BudSite> Placed() => _sites.DrainToImmutable();

    /// <summary>Puts so many buds on a branch.</summary>
    public void Place(Branch branch, int buds, bool floral)
    {
        _placed = 0;
        while (_placed < buds)
        {
            _here = Math.Min(perSite, buds - _placed);
            // One in each stretch of the wood: buds keep their distance, as leaves do.
            _along = (_placed + _here * draw.Uniform()) / buds;
            _placed += _here;
            var side = draw.Uniform() switch
            {
                < UpperShare => BudSide.Upper,
                > 1 - UnderShare => BudSide.Under,
                _ => BudSide.Side,
            };
            switch (bearing)
            {
                case BearingWood.ShootBases:
                    Add(
                        branch.Id,
                        Math.Min(branch.LengthM * 0.9, draw.Between(0.01, BaseM)),
                        side,
                        SiteKind.Basal,
                        draw.Happens(0.7),
                        floral
                    );
                    break;
                case BearingWood.Shoots:
                    Add(
                        branch.Id,
                        branch.LengthM * (0.12 + 0.88 * _along),
                        side,
                        SiteKind.FruitingShoot,
                        draw.Happens(side == BudSide.Under ? 0.3 : 0.7),
                        floral
                    );
                    break;
                default:
                    Spur(branch, side, _placed == buds, floral);
                    break;
            }
        }
    }

    private void Spur(Branch branch, BudSide side, bool last, bool floral)
    {
        if (last && branch.Kind != BranchKind.Shoot)
        {
            Add(branch.Id, branch.LengthM, BudSide.Side, SiteKind.Terminal, draw.Happens(0.75), floral);
            return;
        }
        // Little sits on the shaded first part of a limb, and what sits there or underneath is weaker.
        var share = BareShare + (0.99 - BareShare) * Math.Pow(_along, TowardsTip);
        var fat = draw.Happens(
            side switch
            {
                BudSide.Upper => 0.75,
                BudSide.Side => 0.6,
                _ => 0.35,
            } * (share < 0.35 ? 0.7 : 1)
        );
        if (floral && branch.Kind is BranchKind.Limb or BranchKind.Arm && draw.Happens(DartShare))
        {
            var at = branch.LengthM * share;
            var azimuth = branch.AzimuthDeg + (draw.Happens(0.5) ? 60 : -60);
            var from = branch.PointAt(at);
            Branch dart = new(
                wood.Count,
                branch.Id,
                at,
                BranchKind.Dart,
                4,
                3.5,
                azimuth,
                30,
                2,
                WoodState.Sound,
                [from, from.Off(azimuth, 30, draw.Between(0.05, 0.12))]
            );
            wood.Add(dart);
            Add(dart.Id, dart.LengthM, BudSide.Upper, SiteKind.Terminal, true, true);
            return;
        }
        Add(branch.Id, branch.LengthM * share, side, share > 0.85 ? SiteKind.Lateral : SiteKind.Spur, fat, floral);
    }

    private void Add(int branch, double at, BudSide side, SiteKind kind, bool fat, bool floral) =>
        _sites.Add(new(_sites.Count, branch, Math.Max(0.002, at), side, kind, fat, floral, _here));
}
