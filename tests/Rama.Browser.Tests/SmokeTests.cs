using Rama.Data.People;

namespace Rama.Browser.Tests;

/// <summary>
/// Every page opened once: none may break, complain or stay empty. By itself with <c>./rama test smoke</c>; each
/// page of each planting as every role, language and unit system with <c>./rama test smoke --all</c>.
/// </summary>
public sealed class SmokeTests(RamaServer server) : IClassFixture<RamaServer>
{
    private readonly IReadOnlyDictionary<string, SmokePlanting> _plantings = SmokePages.PlantingsOf(server);

    [Fact]
    public void Every_planting_opens_on_every_page_worked_out_from_it()
    {
        using var smoke = SmokeWalk.Of(server, Role.Manager, "en", "metric");
        foreach (var planting in _plantings.Values)
        foreach (var path in SmokePages.WorkedOut)
            smoke.Visit(path, planting);
        Assert.Empty(smoke.Faults);
    }

    // The second demo estate: other canopies, the southern year, a manager of its own.
    [Fact]
    public async Task Other_canopies_open_on_every_page()
    {
        var cookie = await server.SignInAsync("manager@ambertree.example");
        using var client = server.ClientWith(cookie);
        var plantings = SmokePages.PlantingsOf(client);
        Assert.Equal(["A1", "A2", "L1", "V1", "Y1", "Y2"], plantings.Keys.Order());
        using var smoke = SmokeWalk.As(server, cookie, "Ambertree");
        foreach (var path in SmokePages.OfEstate)
            smoke.Visit(path, plantings["A1"]);
        foreach (var planting in plantings.Values)
        foreach (var path in SmokePages.OfPlanting)
            smoke.Visit(path, planting);
        Assert.Empty(smoke.Faults);
    }

    [Fact(Explicit = true)]
    public void Every_page_of_every_planting_opens_for_every_role_language_and_unit_system()
    {
        List<string> faults = [];
        foreach (var role in Enum.GetValues<Role>())
        foreach (var language in SmokePages.Languages)
        foreach (var units in SmokePages.Units)
        {
            using var smoke = SmokeWalk.Of(server, role, language, units);
            foreach (var path in SmokePages.OfEstate)
                smoke.Visit(path, _plantings.Values.First());
            foreach (var planting in _plantings.Values)
            foreach (var path in SmokePages.OfPlanting)
                smoke.Visit(path, planting);
            faults.AddRange(smoke.Faults);
        }
        Assert.Empty(faults);
    }
}
