namespace Rama.Core.Tests.Estate;

public sealed class PlantingEntryTests
{
    // Handbook 1, Words: the planting year is the first leaf.
    [Theory]
    [InlineData(2027, 1)]
    [InlineData(2019, 9)]
    public void The_planting_year_is_the_first_leaf(int planted, int leaf) =>
        Assert.Equal(leaf, (Entries.Planting with { YearPlanted = planted }).Read(2027).Leaf);

    [Fact]
    public void A_pear_stock_under_an_apple_is_refused() =>
        Entries.AssertProblem(
            Entries.ProblemsOf(() => (Entries.Planting with { Rootstock = "Quince C" }).Read(2027)),
            "rootstock",
            "conflict"
        );

    [Theory]
    [InlineData(2028.0, "range")]
    [InlineData(1850.0, "range")]
    [InlineData(2018.5, "whole")]
    [InlineData(null, "missing")]
    public void A_year_that_cannot_be_is_told_at_its_field(double? year, string code) =>
        Entries.AssertProblem(
            Entries.ProblemsOf(() => (Entries.Planting with { YearPlanted = year }).Read(2027)),
            "yearPlanted",
            code
        );

    [Fact]
    public void Unknown_names_and_blank_texts_are_told_together()
    {
        var problems = Entries.ProblemsOf(() =>
            (Entries.Planting with { Code = " ", Name = new string('x', 61), Variety = "Plum", System = "bush" }).Read(
                2027
            )
        );
        Entries.AssertProblem(problems, "code", "missing");
        Entries.AssertProblem(problems, "name", "long");
        Entries.AssertProblem(problems, "variety", "unknown");
        Entries.AssertProblem(problems, "system", "unknown");
    }
}
