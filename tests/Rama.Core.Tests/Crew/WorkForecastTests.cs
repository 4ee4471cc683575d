using Rama.Core.Crew.Progress;

namespace Rama.Core.Tests.Crew;

/// <summary>Source of the numbers: handbook of the trade 6.3 and 7.2.</summary>
public sealed class WorkForecastTests
{
    private static readonly double[] Logs = [.21, .34, .08, .27];

    private static WorkForecast Of(IReadOnlyList<double> logs, int sets = 12) =>
        WorkForecast.Of(new(6_400, 2.6, logs, sets, 5, 7.5, 0.85));

    [Fact]
    public void Hours_and_days_of_the_handbook()
    {
        var forecast = Of(Logs);

        Assert.Equal(1.2684, forecast.Factor, 4);
        Assert.Equal(413.8, forecast.PaidHours, 1);
        Assert.Equal(12.98, forecast.Days, 2);
    }

    [Fact]
    public void The_range_of_twelve_row_sets_left()
    {
        var forecast = Of(Logs);

        Assert.Equal(1.00, forecast.FactorLow, 2);
        Assert.Equal(1.58, forecast.FactorHigh, 2);
    }

    /// <summary>The same by drawing many plantings, normal within and between as the handbook says.</summary>
    [Fact]
    public void The_range_is_that_of_a_simulation()
    {
        Random random = new(5);
        double Normal() =>
            Math.Sqrt(-2 * Math.Log(1 - random.NextDouble())) * Math.Cos(2 * Math.PI * random.NextDouble());
        var factors = Enumerable
            .Range(0, 40_000)
            .Select(_ =>
            {
                var planting = .1995 + Math.Sqrt(.01386) * Normal();
                return Enumerable.Range(0, 12).Average(_ => Math.Exp(planting + .25 * Normal()));
            })
            .Order()
            .ToList();
        var forecast = Of(Logs);

        Assert.Equal(factors[2_000], forecast.FactorLow, 0.02);
        Assert.Equal(factors[38_000], forecast.FactorHigh, 0.02);
    }

    [Fact]
    public void More_logs_and_more_rows_left_make_it_narrower()
    {
        var few = Of([.2, .2]);
        var many = Of([.2, .2, .2, .2, .2, .2, .2, .2]);
        var last = Of([.2, .2], sets: 1);

        Assert.True(many.FactorHigh - many.FactorLow < few.FactorHigh - few.FactorLow);
        Assert.True(few.FactorHigh - few.FactorLow < last.FactorHigh - last.FactorLow);
        Assert.True(few.DaysLow < few.Days && few.Days < few.DaysHigh);
    }

    [Fact]
    public void Without_a_log_it_is_as_expected_and_wide()
    {
        var forecast = Of([]);

        Assert.Equal(1, forecast.Factor);
        Assert.InRange(forecast.FactorLow, 0.4, 0.7);
        Assert.InRange(forecast.FactorHigh, 1.5, 2.5);
    }
}
