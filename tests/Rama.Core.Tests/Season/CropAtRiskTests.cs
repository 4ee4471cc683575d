using Rama.Core.Prescribe.Working;
using Rama.Core.Season;
using Rama.Core.Statistics;
using Rama.Core.Target.Insurance;

namespace Rama.Core.Tests.Season;

public sealed class CropAtRiskTests
{
    /// <summary>
    /// 110 fruit wanted, set .62 ± .08: a tree at 192.5 buds is 2.67 fruit short in the mean of the years, one at 158
    /// is 13.11. Source: handbook of the trade 7.3, by numerical integration.
    /// </summary>
    [Fact]
    public void Buds_knocked_off_cost_the_fruit_they_would_have_borne()
    {
        var set = BetaShare.Of(0.62, 0.08)!.Value;
        CropAtRisk crop = new(
            192.5,
            Trees: 1_000,
            new MissCosts(110 / 192.5, SetOutcome.Of(set, 0, []), 0.62, CostOver: 0.02, CostUnder: 0.1, WagePerHour: 15)
        );

        Assert.Equal((13.11 - 2.67) * 1_000 * 0.1, crop.Lost(1 - 158 / 192.5), 2.0);
        Assert.Equal(0, crop.Lost(0));
        Assert.True(crop.Lost(0.15) > crop.Lost(0.05));
    }
}
