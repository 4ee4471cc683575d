using Rama.Core.Count;
using Rama.Core.Count.Estimate;
using Rama.Core.Count.Scan;
using Rama.Core.Estate;

namespace Rama.Core.Tests.Count.Scan;

public sealed class ScanTests
{
    // R: lm(c(182,201,233,164,250,190,176,221,208,195) ~ c(140,155,190,120,205,150,130,175,168,149)).
    private static readonly (int Scanned, int Counted)[] Pairs =
    [
        (140, 182),
        (155, 201),
        (190, 233),
        (120, 164),
        (205, 250),
        (150, 190),
        (130, 176),
        (175, 221),
        (168, 208),
        (149, 195),
    ];

    private static ScanCalibration Calibrate(IEnumerable<(int Scanned, int Counted)> pairs, double mean)
    {
        var all = pairs.ToList();
        var survey = new SurveyEntry
        {
            Trees =
            [
                .. all.Select(
                    (p, i) =>
                        new CountedTreeEntry
                        {
                            Row = 1,
                            Tree = i + 1,
                            FloralBuds = p.Counted,
                        }
                ),
            ],
        }.Read();
        return ScanCalibration.Of(
            survey.Trees,
            new(0, null, [], 2_000, mean, [.. all.Select((p, i) => new ScannedTree(1, i + 1, p.Scanned))])
        );
    }

    [Fact]
    public void A_good_scan_is_calibrated_as_R_does_it()
    {
        var calibration = Calibrate(Pairs, 160);
        Assert.True(calibration.Usable);
        Near.Printed(0.9996, calibration.Line!.Slope, 4);
        Near.Printed(0.9246, calibration.SlopeLow, 4);
        Near.Printed(1.0746, calibration.SlopeHigh, 4);
        Near.Printed(203.799, calibration.MeanCounted, 3);
    }

    [Fact]
    public void A_bad_scan_is_refused_with_its_reason()
    {
        Assert.Equal("scan.few-trees", Calibrate(Pairs[..7], 160).Verdict.Code);
        Assert.Equal("scan.all-equal", Calibrate(Pairs.Select(p => (150, p.Counted)), 150).Verdict.Code);
        Assert.Equal(
            "scan.no-relation",
            Calibrate(Pairs.Select((p, i) => (Pairs[(i + 5) % 10].Scanned, p.Counted)), 160).Verdict.Code
        );
        Assert.Equal("scan.out-of-range", Calibrate(Pairs, 400).Verdict.Code);
        Assert.Equal(
            "scan.poor-fit",
            Calibrate(
                Pairs.Concat(Pairs).Concat(Pairs).Select((p, i) => (p.Scanned + i % 3 * 60, p.Counted)),
                200
            ).Verdict.Code
        );
    }

    // Two rows of 11 trees 2 m apart, running north from 45.6° N: one degree of latitude is 111.13 km there (WGS 84).
    [Theory]
    [InlineData(0, 0, 1, 5)]
    [InlineData(8.1, 0.5, 1, 9)]
    [InlineData(20, 4.2, 2, 15)]
    public void A_position_falls_on_its_tree(double northM, double eastM, int row, int tree)
    {
        var place = Axes().Find(At(northM, eastM));
        Assert.Equal((row, tree), (place!.Value.Row, place.Value.Tree));
        Assert.InRange(place.Value.OffM, 0, 1);
    }

    [Fact]
    public void A_position_between_the_blocks_falls_on_no_tree() => Assert.Null(Axes().Find(At(10, 9)));

    private static RowAxes Axes()
    {
        static RowAxis Row(int number, double eastM) =>
            new(new(number, 5, 11, [], [], [], []), [At(0, eastM), At(20, eastM)]);
        return new([Row(1, 0), Row(2, 4)], 4);
    }

    private static GeoPoint At(double northM, double eastM) => new(9.9 + eastM / 78_000, 45.6 + northM / 111_140);
}
