using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Rama.Data.People;

namespace Rama.Browser.Tests;

/// <summary>
/// Every page opened once: none may break, complain or stay empty. By itself with <c>./rama test smoke</c>; each
/// page of each planting as every role, language and unit system with <c>./rama test smoke --all</c>.
/// </summary>
public sealed class SmokeTests(RamaServer server) : IClassFixture<RamaServer>
{
    private static readonly string[] OfEstate =
    [
        "",
        "map",
        "catalogue",
        "catalogue/systems",
        "exchange",
        "estate",
        "people",
        "crew",
        "plantings/new",
        "targets",
        "scans",
        "field",
    ];

    private static readonly string[] OfPlanting =
    [
        "plantings/{0}/estate",
        "plantings/{0}/target",
        "plantings/{0}/count",
        "plantings/{0}/decide",
        "plantings/{0}/prescribe",
        "plantings/{0}/result",
        "plantings/{0}/history",
        "plantings/{0}/card",
        "plantings/{0}/bench",
        "plantings/{0}/route",
        "plantings/{0}/trees",
        "field/{0}",
        "field/{0}/buds",
        "field/{0}/walk",
    ];

    // Counted with leaf buds, a cherry, a peach, a wall, one without a count: each draws and tells something of
    // its own.
    private static readonly string[] Various = ["H6", "H8", "W7", "H9", "H5", "H4"];

    private static readonly string[] Languages = ["en", "es"],
        Units = ["metric", "us"];

    private readonly IReadOnlyDictionary<string, SmokePlanting> _plantings = PlantingsOf(server);

    [Fact]
    public void Every_page_of_every_planting_opens()
    {
        using var smoke = Smoke(Role.Manager, "en", "metric");
        foreach (var planting in _plantings.Values)
        foreach (var path in OfPlanting)
            smoke.Visit(path, planting);
        Assert.Empty(smoke.Faults);
    }

    [Fact]
    public void Every_kind_of_page_opens_for_every_role_language_and_unit_system_two_by_two()
    {
        string[] pages = [.. OfEstate, .. OfPlanting];
        var roles = Enum.GetValues<Role>();
        // Of page p and role r: this walk meets every pair of page, role, language and unit system.
        var visits =
            from p in Enumerable.Range(0, pages.Length)
            from r in Enumerable.Range(0, roles.Length)
            select (
                Page: pages[p],
                Planting: _plantings[Various[(p + r) % Various.Length]],
                Role: roles[r],
                Language: Languages[(p + r) % 2],
                Units: Units[(p / 2 + r / 2) % 2]
            );
        List<string> faults = [];
        foreach (var reader in visits.GroupBy(v => (v.Role, v.Language, v.Units)))
        {
            using var smoke = Smoke(reader.Key.Role, reader.Key.Language, reader.Key.Units);
            foreach (var visit in reader)
                smoke.Visit(visit.Page, visit.Planting);
            faults.AddRange(smoke.Faults);
        }
        Assert.Empty(faults);
    }

    [Fact(Explicit = true)]
    public void Every_page_of_every_planting_opens_for_every_role_language_and_unit_system()
    {
        List<string> faults = [];
        foreach (var role in Enum.GetValues<Role>())
        foreach (var language in Languages)
        foreach (var units in Units)
        {
            using var smoke = Smoke(role, language, units);
            foreach (var path in OfEstate)
                smoke.Visit(path, _plantings.Values.First());
            foreach (var planting in _plantings.Values)
            foreach (var path in OfPlanting)
                smoke.Visit(path, planting);
            faults.AddRange(smoke.Faults);
        }
        Assert.Empty(faults);
    }

    [Fact]
    public async Task A_card_of_an_earlier_form_is_drawn()
    {
        var id = await server.KeepOldCardAsync(1, Guid.Parse(_plantings["W1"].Id));
        using var page = new Page(server).Open($"/plantings/{_plantings["W1"].Id}/card?issued={id}");
        page.Find(".card-drawing .tree-wood");
        page.Says(".card-gauge", "8 mm");
        Assert.Empty(page.Complaints());
    }

    [Fact]
    public void A_page_that_breaks_says_what_is_safe_and_leads_back()
    {
        using var page = new Page(server);
        // An answer no page can draw: the fault is the test's own, the page that tells of it is the application's.
        page.BeforeEach(
            """
            const asked = window.fetch;
            const nonsense = () =>
                new Response('{"cuts": 7}', { status: 200, headers: { 'content-type': 'application/json' } });
            window.fetch = async (request, ...rest) => {
              const answer = await asked(request, ...rest);
              return String(request.url ?? request).includes('/card?') ? nonsense() : answer;
            };
            """
        );
        page.OpenPlanting("H4", "prescribe");
        page.Click("[data-test='card']");
        page.Says("[data-test='broken']", "What was saved is safe");
        page.Find(".shell-places");
        page.Find("[data-test='broken'] a").Click();
        page.FindLine("H4");
    }

    private SmokeWalk Smoke(Role role, string language, string units)
    {
        using var client = server.ClientOf(role);
        using var body = JsonContent.Create(new { units, language });
        using var answer = client.Send(new(HttpMethod.Put, "/api/v1/session/reading") { Content = body });
        answer.EnsureSuccessStatusCode();
        return new(server, role, $"{role} {language} {units}");
    }

    private static Dictionary<string, SmokePlanting> PlantingsOf(RamaServer server)
    {
        using var client = server.ClientOf();
        using var answer = client.Send(new(HttpMethod.Get, "/api/v1/season"));
        using var reader = new StreamReader(answer.Content.ReadAsStream());
        return JsonNode.Parse(reader.ReadToEnd())!["plantings"]!
            .AsArray()
            .ToDictionary(
                p => (string)p!["code"]!,
                p => new SmokePlanting((string)p!["code"]!, (string)p["id"]!, p["decision"] is not null)
            );
    }
}

/// <summary>A planting to look at.</summary>
/// <param name="Code">Its code.</param>
/// <param name="Id">Its identifier.</param>
/// <param name="IsDecided">Whether its count is in, so that there is a card and a tree for the bench.</param>
public sealed record SmokePlanting(string Code, string Id, bool IsDecided);

/// <summary>One person opening page after page.</summary>
internal sealed class SmokeWalk : IDisposable
{
    private readonly Page _page;
    private readonly string _who;
    private readonly List<string> _faults = [];
    private bool _opened;

    public SmokeWalk(RamaServer server, Role role, string who)
    {
        (_page, _who) = (new Page(server, role: role), who);
        // How many answers are still on their way, so that a page can be told to have settled.
        _page.BeforeEach(
            """
            window.onTheWay = 0;
            window.broken = [];
            window.addEventListener('error', e => { window.broken.push(String(e.message)); });
            window.addEventListener('unhandledrejection', e => { window.broken.push(String(e.reason)); });
            const asked = window.fetch;
            window.fetch = (...what) => {
              window.onTheWay++;
              return asked(...what).finally(() => { window.onTheWay--; });
            };
            """
        );
    }

    /// <summary>What broke or complained, page by page.</summary>
    public IReadOnlyList<string> Faults => _faults;

    /// <summary>Goes to a page as a link of the application does, and looks at it once it has settled.</summary>
    /// <param name="path">Path with <c>{0}</c> for the planting.</param>
    /// <param name="planting">The planting.</param>
    public void Visit(string path, SmokePlanting planting)
    {
        var to = "/" + path.Replace("{0}", planting.Id, StringComparison.Ordinal);
        var where = $"{_who}: {path.Replace("{0}", planting.Code, StringComparison.Ordinal)}";
        if (!_opened)
            _page.Open(to);
        else
        {
            _page.Driver.ExecuteScript(
                """
                window.broken = [];
                window.history.pushState({}, '', arguments[0]);
                window.dispatchEvent(new PopStateEvent('popstate', { state: {} }));
                """,
                to
            );
        }
        Settled(where);
        // A planting without a count has no card and no tree yet, and a page says so.
        var missing =
            !planting.IsDecided
            && (path.EndsWith("card", StringComparison.Ordinal) || path.EndsWith("bench", StringComparison.Ordinal));
        var broken = _page.Script<bool>("return document.querySelector('[data-test=\"broken\"]') !== null");
        _faults.AddRange(
            _page
                .Complaints()
                .Where(c => !(missing && c.Contains("404", StringComparison.Ordinal)))
                .Select(c => $"{where}: {c}")
        );
        _faults.AddRange(
            _page.Script<IReadOnlyCollection<object>>("return window.broken").Select(b => $"{where}: {b}")
        );
        if (_page.Script<bool>("return document.querySelector('.problem-page') !== null") != (missing || broken))
            _faults.Add($"{where}: could not be loaded");
        if (broken)
            _faults.Add($"{where}: {_page.Find("[data-test='broken']").Text}");
        // What broke is loaded anew, as the page says.
        _opened = !broken;
    }

    public void Dispose() => _page.Dispose();

    private void Settled(string where) => _page.Until($"{where} to settle", () => _page.Script<bool>(
                """
                const at = document.querySelector('[data-at]')?.dataset.at;
                return document.readyState === 'complete' && window.onTheWay === 0
                    && document.querySelector('.waiting') === null
                  && (at === location.pathname || at + '/' === location.pathname)
                  && [...document.querySelectorAll('h1, .field-tabs')].some(e => e.offsetParent !== null);
                """
            ));
}
