using Rama.Core.Crops;

namespace Rama.Core.Count.Vigour;

/// <summary>Shoot extension of a bearing tree between which growth and crop are in balance.</summary>
/// <param name="WeakBelowCm">Below it growth is weak, cm.</param>
/// <param name="StrongAboveCm">Above it growth is strong, cm.</param>
/// <remarks>
/// Common practice, no source: 20 to 45 cm on pome fruit; about 60 cm is wanted on the limb ends of cherry;
/// fruiting shoots of peach are 30 to 60 cm.
/// </remarks>
public sealed record GrowthLimits(double WeakBelowCm, double StrongAboveCm)
{
    /// <summary>The limits of a crop, by how it bears.</summary>
    public static GrowthLimits Of(BearingHabit habit) =>
        habit switch
        {
            BearingHabit.SpurFlowerBud => new(40, 80),
            BearingHabit.OneYearShoot => new(30, 65),
            _ => new(20, 45),
        };
}
