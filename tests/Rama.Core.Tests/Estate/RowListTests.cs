using CsCheck;
using Rama.Core.Estate;
using Rama.Core.Explain;

namespace Rama.Core.Tests.Estate;

public sealed class RowListTests
{
    private static IReadOnlyList<int> Numbers(string text, int first = 1, int last = 200)
    {
        var reader = new EntryReader();
        var numbers = TreeNumbers.Read(reader, "missing", "Missing", text, first, last);
        reader.ThrowIfAny();
        return numbers;
    }

    [Theory]
    [InlineData("", new int[0])]
    [InlineData("3, 17-19", new[] { 3, 17, 18, 19 })]
    [InlineData("17 - 19;3", new[] { 3, 17, 18, 19 })]
    [InlineData("5–6 9", new[] { 5, 6, 9 })]
    public void A_list_is_read_as_people_write_it(string text, int[] numbers) => Assert.Equal(numbers, Numbers(text));

    [Theory]
    [InlineData("three", "list")]
    [InlineData("9-3", "list")]
    [InlineData("1-2-3", "list")]
    [InlineData("-4", "list")]
    [InlineData("201", "outside")]
    [InlineData("0", "outside")]
    [InlineData("4, 3-5", "duplicate")]
    public void A_list_that_cannot_be_is_told(string text, string code) =>
        Assert.Equal(code, Assert.Throws<UnusableEntryException>(() => Numbers(text)).Problems.Single().Code);

    [Fact]
    public void What_is_written_reads_back() =>
        Gen.Int[1, 200]
            .Array[0, 60]
            .Sample(numbers =>
            {
                int[] ascending = [.. numbers.Distinct().Order()];
                Assert.Equal(ascending, Numbers(TreeNumbers.Write(ascending)));
            });

    // Overlap told by the sweep is overlap found tree by tree.
    [Fact]
    public void Rows_overlap_where_two_lines_have_a_tree_in_common() =>
        Gen.Select(Gen.Int[1, 3], Gen.Int[1, 30], Gen.Int[1, 12])
            .Array[1, 8]
            .Sample(lines =>
            {
                TreeRow[] rows = [.. lines.Select(l => new TreeRow(l.Item1, l.Item2, l.Item3, [], [], [], []))];
                var trees = rows.SelectMany(r => Enumerable.Range(r.FirstTree, r.Trees), (r, t) => (r.Number, t))
                    .ToList();
                Assert.Equal(trees.Distinct().Count() < trees.Count, RowList.Overlaps(rows).Any());
            });

    // By hand: 200 places, 5 missing and 3 replants → 192 grown, 12 of them pollinizers: 180 bear.
    [Fact]
    public void Bearing_trees_are_those_that_stand_are_grown_and_are_picked()
    {
        var rows = new RowListEntry
        {
            Rows =
            [
                new()
                {
                    Row = 1,
                    Trees = 120,
                    Missing = "1-5",
                    Pollinizers = "10-21",
                },
                new()
                {
                    Row = 2,
                    Trees = 80,
                    Replants = "3-5",
                    ToGrub = "80",
                },
            ],
        }.Read()!;
        Assert.Equal((200, 5, 3, 12, 1), (rows.Places, rows.Missing, rows.Replants, rows.Pollinizers, rows.ToGrub));
        // 4 m × 1 m on 0.08 ha: 200 places.
        var density = PlantingDensity.Of(new(4, 1, 0.08), rows);
        Assert.Equal(180, density.BearingTrees, 9);
        Assert.Empty(density.Warnings);
        Assert.Contains(PlantingDensity.Of(new(4, 1, 0.16), rows).Warnings, w => w.Code == "density.rows-differ");
    }
}
