namespace Rama.Browser.Tests;

/// <summary>Looks for accessibility faults (WCAG 2.1 A and AA) with axe-core.</summary>
internal static class Axe
{
    private static readonly string Script = File.ReadAllText(
        RamaServer.RepositoryFile("web/node_modules/axe-core/axe.min.js")
    );

    /// <summary>The faults of the page shown.</summary>
    public static IEnumerable<string> Faults(Page page)
    {
        page.Driver.ExecuteScript(Script);
        var faults =
            (IReadOnlyCollection<object>)
                page.Driver.ExecuteAsyncScript(
                    """
                    const done = arguments[arguments.length - 1];
                    const runOnly = ['wcag2a', 'wcag2aa', 'wcag21aa'];
                    const asked = { runOnly, resultTypes: ['violations'], selectors: false };
                    const where = v => v.nodes.map(n => n.html.slice(0, 120)).join(' | ');
                    axe.run(document, asked)
                      .then(r => done(r.violations.map(v => v.id + ': ' + where(v))));
                    """
                )!;
        return faults.Cast<string>();
    }
}
