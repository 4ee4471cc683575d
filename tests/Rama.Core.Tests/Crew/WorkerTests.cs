using Rama.Core.Crew;
using Rama.Core.Explain;

namespace Rama.Core.Tests.Crew;

public sealed class WorkerTests
{
    // Common practice, no source: many crews go by numbers.
    [Theory]
    [InlineData("  Pruner 5 ", "Pruner 5")]
    [InlineData("7", "7")]
    public void A_name_or_a_number_will_do(string typed, string name) =>
        Assert.Equal(
            new(name, "es", true, null, []),
            new WorkerEntry
            {
                Name = typed,
                Language = "es",
                Left = true,
            }.Read()
        );

    [Fact]
    public void Every_mistake_is_named_at_once()
    {
        var problems = Assert
            .Throws<UnusableEntryException>(() => new WorkerEntry { Name = new('x', 61), Language = "fr" }.Read())
            .Problems;
        Assert.Equal([("name", "long"), ("language", "unknown")], problems.Select(p => (p.Field, p.Code)));
        Assert.Equal(
            [("name", "missing"), ("language", "unknown")],
            Assert
                .Throws<UnusableEntryException>(() => new WorkerEntry().Read())
                .Problems.Select(p => (p.Field, p.Code))
        );
    }
}
