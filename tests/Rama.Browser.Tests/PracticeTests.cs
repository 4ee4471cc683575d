using System.Globalization;
using OpenQA.Selenium;
using Rama.Data.People;

namespace Rama.Browser.Tests;

/// <summary>Practice from the first tree of a course to the next, by finger and by mouse.</summary>
public sealed class PracticeTests(RamaServer server) : IClassFixture<RamaServer>
{
    private static int Cuts(Page page) =>
        int.Parse(page.Find("[data-test='bench-tree']").GetAttribute("data-cuts")!, CultureInfo.InvariantCulture);

    // Must show: practice on touch at 390 px.
    [Fact]
    public void A_finger_sees_what_would_fall_before_it_cuts()
    {
        using var page = new Page(server, 390, 844, phone: true, role: Role.Counter).Open("/practice");
        page.Says("[data-test='course-done']", "of 5 trees cut");
        page.Click("[data-test='course-1']");
        page.Find("[data-test='practice-card']");
        page.Find(".tree-hit");
        Assert.Equal(0, Cuts(page));
        Assert.Equal(390, page.Script<long>("return document.documentElement.scrollWidth"));

        Touch(page, 0);
        page.Says(".bench-foot", "touch it again to cut");
        Assert.Equal(0, Cuts(page));
        // Another place is another question.
        var other = Touch(page, 1);
        page.Until("other wood shown", () => page.Find(".bench-foot").Text.Contains("touch it again"));
        Assert.Equal(0, Cuts(page));
        TouchAt(page, other);
        page.Until("cut", () => Cuts(page) == 1);
        page.Click("[data-test='undo']");
        page.Until("uncut", () => Cuts(page) == 0);
        page.Click("[data-test='redo']");
        page.Until("cut again", () => Cuts(page) == 1);

        page.Click("[data-test='done']");
        page.Find("[data-test='score']");
        page.Says("[data-test='remarks'] li", "Next time:");
        page.Click("[data-test='beside-card']");
        page.Find("[data-test='compare'] svg.tree");
        var last = page.Find("[data-test='compare']").GetAttribute("data-step");
        page.Click("[data-test='compare-back']");
        page.Until("a step back", () => page.Find("[data-test='compare']").GetAttribute("data-step") != last);
        Assert.Equal(390, page.Script<long>("return document.documentElement.scrollWidth"));
        page.Click("[data-test='next-tree']");
        page.Find("[data-test='trains']");
        Assert.Equal(0, Cuts(page));

        page.Open("/practice");
        page.Says("[data-test='course-done']", "1 of 5 trees cut");
    }

    // A lead gives the crew trees; whoever's account is somebody of the crew cuts one, and the lead sees how it went.
    [Fact]
    public void What_a_lead_sets_is_cut_under_ones_own_name_and_told_to_the_lead()
    {
        using (var lead = new Page(server, role: Role.CrewLead).Open("/practice"))
        {
            lead.Find("[data-test='progress']");
            lead.Click(".exercise-set .ant-select");
            lead.Type("planting", "W9");
            lead.Click(".ant-select-item-option");
            lead.Type("trees", "20");
            lead.Click("[data-test='set-exercise']");
            lead.Says("[data-field='trees']", "12");
            lead.Type("trees", "2");
            lead.Type("note", "Keep the leaders");
            lead.Click("[data-test='set-exercise']");
            lead.Says("[data-test='exercise-W9']", "Keep the leaders");
        }

        using (var pruner = new Page(server, 390, 844, phone: true, role: Role.Counter).Open("/practice"))
        {
            pruner.Says("[data-test='whose']", "Pruner 3");
            Assert.Empty(pruner.Driver.FindElements(By.CssSelector("[data-test='progress'], .exercise-results")));
            Assert.Equal(390, pruner.Script<long>("return document.documentElement.scrollWidth"));
            pruner.Click("[data-test='exercise-W9'] [data-test='cut-exercise']");
            pruner.Find(".tree-hit");
            CutByFinger(pruner);
            pruner.Click("[data-test='done']");
            pruner.Says("[data-test='kept-mine']", "Kept under your name");
            pruner.Open("/practice");
            pruner.Says("[data-test='exercise-W9']", "1/2");
            pruner.Says("[data-test='my-progress']", "of 100");
        }

        using var told = new Page(server, role: Role.CrewLead).Open("/practice");
        told.Says("[data-test='exercise-W9'] [data-test='exercise-results']", "Pruner 3: 1 of 2 cut");
        told.Click("[data-test='exercise-W9'] [data-test='remove-exercise']");
        told.Until("taken away", () =>
            told.Driver.FindElements(By.CssSelector("[data-test='exercise-W9']")).Count == 0
        );
    }

    // What was pointed at, spoken of or compared goes with its tree, however one leaves it.
    [Fact]
    public void Another_tree_or_another_way_begins_with_nothing_of_the_last()
    {
        using var page = new Page(server, 390, 844, phone: true).OpenPlanting("H4", "bench?practice", planting: false);
        page.Find(".tree-hit");
        Touch(page, 2);
        page.Says(".bench-foot", "touch it again to cut");
        page.Click("[data-test='another']");
        page.Until("the next tree, nothing pointed at", () => page.Find(".bench-foot").Text.StartsWith("Tree 2"));
        Assert.Empty(page.Driver.FindElements(By.CssSelector(".tree-falling")));

        CutByFinger(page);
        page.Click("[data-test='done']");
        page.Click("[data-test='beside-card']");
        page.Find("[data-test='compare']");
        page.Click("[data-test='to-card']");
        page.Click("[data-test='practise']");
        page.Find("[data-test='practice-card']");
        page.Until("the tree to cut, uncut", () =>
            Cuts(page) == 0 && page.Driver.FindElements(By.CssSelector("[data-test='compare']")).Count == 0
        );
        CutByFinger(page);
        page.Click("[data-test='done']");
        page.Click("[data-test='next-tree']");
        page.Find("[data-test='trains']");
        // One taken at will was chosen for nothing.
        page.Click("[data-test='another']");
        page.Until("nothing said of it", () =>
            page.Driver.FindElements(By.CssSelector("[data-test='trains']")).Count == 0
        );
    }

    // What nobody may see, nobody is shown: neither other people's scores nor whose tree it was.
    [Fact]
    public void Who_practises_sees_no_scores_of_others()
    {
        using var page = new Page(server, role: Role.Reader).OpenPlanting("H4", "bench?practice", planting: false);
        page.Find("[data-test='practice-card']");
        Assert.Empty(page.Driver.FindElements(By.CssSelector("[data-test='pruners'], [data-test='keep-run']")));
    }

    // Touches wood by its place among what can be touched, and tells where.
    private static IReadOnlyList<object> Touch(Page page, int place)
    {
        // The drawing is laid out anew once its room is known.
        page.Until("laid out", () => page.Script<bool>(
                """
                const room = document.querySelector("[data-test='bench-tree']");
                return +room.querySelector('svg.tree').getAttribute('width') === room.clientWidth;
                """
            ));
        var at = page.Script<IReadOnlyList<object>>(
            """
            const found = [];
            for (const hit of document.querySelectorAll('.tree-hit')) {
              hit.scrollIntoView({ block: 'center' });
              const box = hit.getBoundingClientRect();
              for (let i = 1; i < 200; i++) {
                // A finger is given in whole pixels: thin wood may have none of its own.
                const x = Math.round(box.x + (box.width * ((i * 37) % 199)) / 199);
                const y = Math.round(box.y + (box.height * ((i * 53) % 197)) / 197);
                if (document.elementFromPoint(x, y) === hit) { found.push([x, y]); break; }
              }
              if (found.length > arguments[0]) return found.at(-1);
            }
            return null;
            """,
            place
        );
        TouchAt(page, at);
        return at;
    }

    // What would fall is drawn over the wood: the second touch is where the first was, wherever that is seen by then.
    private static void TouchAt(Page page, IReadOnlyList<object> at)
    {
        foreach (var (type, points) in new[] { ("touchStart", at), ("touchEnd", []) })
            page.Driver.ExecuteCdpCommand(
                "Input.dispatchTouchEvent",
                new()
                {
                    ["type"] = type,
                    ["touchPoints"] =
                        points.Count == 0
                            ? Array.Empty<object>()
                            : new object[]
                            {
                                new Dictionary<string, object> { ["x"] = points[0], ["y"] = points[1] },
                            },
                }
            );
    }

    private static void CutByFinger(Page page)
    {
        var at = Touch(page, 1);
        page.Says(".bench-foot", "touch it again to cut");
        TouchAt(page, at);
        page.Until("cut", () => Cuts(page) == 1);
    }
}
