namespace Rama.Browser.Tests;

/// <summary>Looks for accessibility faults (WCAG 2.2 A and AA, and good practice) with axe-core.</summary>
internal static class Axe
{
    private static readonly string Script = File.ReadAllText(
        RamaServer.RepositoryFile("web/node_modules/axe-core/axe.min.js")
    );

    /// <summary>The faults of the page shown, by day and at night.</summary>
    public static IEnumerable<string> Faults(Page page)
    {
        page.Driver.ExecuteScript(Script);
        // Every shape of a drawn tree is looked at, twice.
        page.Driver.Manage().Timeouts().AsynchronousJavaScript = TimeSpan.FromSeconds(90);
        var faults =
            (IReadOnlyCollection<object>)
                page.Driver.ExecuteAsyncScript(
                    """
                    const done = arguments[arguments.length - 1];
                    const runOnly = ['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa', 'best-practice'];
                    // Among the experimental ones, but what is spoken must be what is read.
                    const rules = { 'label-content-name-mismatch': { enabled: true } };
                    const asked = { runOnly, rules, resultTypes: ['violations'], selectors: false };
                    const where = v => v.nodes.map(n => n.html.slice(0, 120)).join(' | ');
                    const change = (shade) => {
                      if (shade) localStorage.setItem('rama.shade', shade); else localStorage.removeItem('rama.shade');
                      window.dispatchEvent(new StorageEvent('storage'));
                    };
                    const look = async (shade) => {
                      change(shade);
                      await new Promise(r => requestAnimationFrame(() => requestAnimationFrame(r)));
                      // What is half way from one colour to another has neither.
                      const ends = document.getAnimations().filter(a => a.effect.getComputedTiming().endTime < 2000);
                      await Promise.race([
                        Promise.allSettled(ends.map(a => a.finished)),
                        new Promise(r => setTimeout(r, 3000)),
                      ]);
                      const { violations } = await axe.run(document, asked);
                      return violations.map(v => `${shade}: ${v.id}: ${where(v)}`);
                    };
                    const all = async () => [...await look('day'), ...await look('night')];
                    all().then(done, e => done([String(e)])).finally(() => change(null));
                    """
                )!;
        return faults.Cast<string>();
    }
}
