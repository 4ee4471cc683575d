using System.Globalization;
using OpenQA.Selenium;

namespace Rama.Browser.Tests;

/// <summary>The trees of all systems as they are drawn, by trunk and from both sides.</summary>
public sealed class TreesPageTests(RamaServer server) : IClassFixture<RamaServer>
{
    // Must show: the picture sheet of systems × classes × views stands beside the results of the test run.
    [Theory]
    [InlineData(1280, 1)]
    [InlineData(1280, 2)]
    [InlineData(390, 1)]
    [InlineData(390, 2)]
    public void Numbers_stand_clear_of_each_other_and_of_the_ground(int width, int view)
    {
        using var page = new Page(server, width, 900, phone: width < 500).Open("/catalogue/systems/trees");
        // They come one after the other, each with its own time.
        for (var told = 1; told <= 16; told++)
            page.Until($"{told} systems", () => Told(page) >= told);
        page.Find($".trees-choices .ant-segmented:last-child .ant-segmented-item:nth-child({view + 1})").Click();
        page.Until("turned", () =>
            page.Driver.FindElements(By.CssSelector(".tree-alley")).Count == (view == 2 ? 16 * 3 : 0)
        );
        Assert.Equal(16L * 3, page.Script<long>("return document.querySelectorAll('.trees-of svg.tree').length"));
        Attach(page, $"trees-{width}-{(view == 1 ? "along" : "across")}.png");
        Assert.Equal("", page.Script<string>(Overlaps));
    }

    private static int Told(Page page) =>
        int.Parse(page.Find("[data-test='trees']").GetAttribute("data-told")!, CultureInfo.InvariantCulture);

    // What lies on each other on any of the drawings, by system; empty where nothing does.
    private const string Overlaps = """
        const faults = [];
        for (const tree of document.querySelectorAll('.trees-of')) {
          const fault = (what) => faults.push(`${tree.dataset.test}: ${what}`);
          for (const svg of tree.querySelectorAll('svg.tree')) {
            const shown = (s) => [...svg.querySelectorAll(s)].map((e) => e.getBoundingClientRect());
            const tags = [...svg.querySelectorAll('.tree-tag')]
              .filter((e) => getComputedStyle(e).visibility === 'visible')
              .map((e) => e.querySelector('circle').getBoundingClientRect());
            const ground = svg.querySelector('.tree-ground').getBoundingClientRect();
            const whole = svg.getBoundingClientRect();
            const centre = (r) => [r.x + r.width / 2, r.y + r.height / 2];
            for (const [i, a] of tags.entries()) {
              const [x, y] = centre(a);
              for (const b of tags.slice(i + 1))
                if (Math.hypot(x - centre(b)[0], y - centre(b)[1]) < a.width - 1) fault('two numbers');
              if (a.bottom > ground.top + 1) fault('a number in the ground');
              if (a.top < whole.top || a.left < whole.left || a.right > whole.right) fault('a number outside');
              for (const w of shown('.tree-limit text'))
                if (x > w.left && x < w.right && y > w.top && y < w.bottom) fault('a number on words');
            }
            for (const b of shown('.tree-bracket text'))
              if (b.top < whole.top - 1 || b.bottom > whole.bottom + 1 || b.right > whole.right + 1)
                fault('a bracket cut off');
            for (const wood of shown('.tree-wood, .tree-young, .tree-gone'))
              if (wood.top < whole.top - 1 || wood.left < whole.left - 1 || wood.right > whole.right + 1)
                fault('wood cut off');
          }
        }
        return [...new Set(faults)].join('; ');
        """;

    private static void Attach(Page page, string name)
    {
        var shot =
            (IDictionary<string, object>)
                page.Driver.ExecuteCdpCommand(
                    "Page.captureScreenshot",
                    new()
                    {
                        ["format"] = "png",
                        ["captureBeyondViewport"] = true,
                        ["clip"] = Whole(page),
                    }
                )!;
        TestContext.Current.AddAttachment(name, Convert.FromBase64String((string)shot["data"]), "image/png");
    }

    private static Dictionary<string, object> Whole(Page page) =>
        new()
        {
            ["x"] = 0,
            ["y"] = 0,
            ["width"] = page.Script<long>("return document.documentElement.scrollWidth"),
            ["height"] = page.Script<long>("return document.documentElement.scrollHeight"),
            ["scale"] = 1,
        };
}
