using Rama.Data.People;

namespace Rama.Browser.Tests;

/// <summary>Every kind of page opened once by every kind of reader.</summary>
public sealed class SmokeReaderTests(RamaServer server) : IClassFixture<RamaServer>
{
    // Counted with leaf buds, a cherry, a peach, a wall, one without a count: each draws and tells something of
    // its own.
    private static readonly string[] Various = ["H6", "H8", "W7", "H9", "H5", "H4"];

    private readonly IReadOnlyDictionary<string, SmokePlanting> _plantings = SmokePages.PlantingsOf(server);

    [Fact]
    public void Every_kind_of_page_opens_for_every_role_language_and_unit_system_two_by_two()
    {
        string[] pages = [.. SmokePages.OfEstate, .. SmokePages.OfPlanting];
        var roles = Enum.GetValues<Role>();
        // Of page p and role r: this walk meets every pair of page, role, language and unit system.
        var visits =
            from p in Enumerable.Range(0, pages.Length)
            from r in Enumerable.Range(0, roles.Length)
            select (
                Page: pages[p],
                Planting: _plantings[Various[(p + r) % Various.Length]],
                Role: roles[r],
                Language: SmokePages.Languages[(p + r) % 2],
                Units: SmokePages.Units[(p / 2 + r / 2) % 2]
            );
        List<string> faults = [];
        foreach (var reader in visits.GroupBy(v => (v.Role, v.Language, v.Units)))
        {
            using var smoke = SmokeWalk.Of(server, reader.Key.Role, reader.Key.Language, reader.Key.Units);
            foreach (var visit in reader)
                smoke.Visit(visit.Page, visit.Planting);
            faults.AddRange(smoke.Faults);
        }
        Assert.True(faults.Count == 0, string.Join("\n", faults));
    }
}
