using System.Net.Http.Json;
using Rama.Data.People;

namespace Rama.Browser.Tests;

/// <summary>One person opening page after page.</summary>
internal sealed class SmokeWalk : IDisposable
{
    private readonly Page _page;
    private readonly string _who;
    private readonly string? _language,
        _units;
    private readonly List<string> _faults = [];
    private bool _opened;

    private SmokeWalk(Page page, string who, string? language = null, string? units = null)
    {
        (_page, _who, _language, _units) = (page, who, language, units);
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

    /// <summary>Begins as somebody who reads in a language and a system of units.</summary>
    public static SmokeWalk Of(RamaServer server, Role role, string language, string units)
    {
        using var client = server.ClientOf(role);
        using var body = JsonContent.Create(new { units, language });
        using var answer = client.Send(new(HttpMethod.Put, "/api/v1/session/reading") { Content = body });
        answer.EnsureSuccessStatusCode();
        return new(new Page(server, role: role), $"{role} {language} {units}", language, units);
    }

    /// <summary>Begins as somebody of another estate.</summary>
    public static SmokeWalk As(RamaServer server, string cookie, string who) =>
        new(new Page(server, cookie: cookie), who);

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
        // A planting without a count has no card and no tree yet, and a page says so; the passes of its year it has.
        var missing =
            !planting.IsDecided
            && !path.Contains("/passes/", StringComparison.Ordinal)
            && (path.EndsWith("card", StringComparison.Ordinal) || path.Contains("/bench", StringComparison.Ordinal));
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
        else
            _faults.AddRange(
                ForeignWords.Bare(_page).Concat(ForeignWords.In(_page, _language, _units)).Select(w => $"{where}: {w}")
            );
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
