using System.Text.Json.Nodes;
using OpenQA.Selenium;
using Rama.Data.People;
using Rama.Web.Tests;

namespace Rama.Browser.Tests;

/// <summary>Counting in the row, with and without signal.</summary>
public sealed class FieldTests(RamaServer server) : IClassFixture<RamaServer>
{
    private Page Phone(Cable? cable = null, string? profile = null, Role? role = Role.Counter) =>
        new Page(server, 390, 844, phone: true, role: role, profile: profile, address: cable?.Address).ByTaps();

    private static string Profile() => Directory.CreateTempSubdirectory("rama").FullName;

    /// <summary>
    /// Opens the field page with signal, and waits until the planting is taken along and the page would start without.
    /// </summary>
    private static void TakeAlong(Page page, string code)
    {
        page.Open("/field");
        page.Find($"[data-test='count-{code}'][data-taken='true']");
        page.Until("the service worker", () => page.Script<bool>("return !!navigator.serviceWorker.controller"));
    }

    private static void CountTree(Page page, int fives, int ones)
    {
        for (var i = 0; i < fives; i++)
            page.Click("[data-test='five-floral']");
        for (var i = 0; i < ones; i++)
            page.Click("[data-test='key-floral']");
        page.Says("[data-test='total']", $"{fives * 5 + ones}");
        page.Click("[data-test='tree-done']");
        // So few buds are asked about.
        page.Until("the tree to be kept", () =>
        {
            foreach (var sure in page.Driver.FindElements(By.CssSelector("[data-test='keep-it']")))
                sure.Click();
            return page.Find("[data-test='total']").Text == "0";
        });
    }

    private static void Waiting(Page page, int waiting) =>
        page.Until($"{waiting} waiting", () =>
            page.Find("[data-test='sync']").GetAttribute("data-waiting") == $"{waiting}"
        );

    private async Task<List<(int Row, int Tree, double? Buds)>> Counted(string code)
    {
        using var client = server.ClientOf();
        return
        [
            .. (await client.PlantingAsync(code))["count"]!["trees"]!
                .AsArray()
                .Select(t => ((int)t!["row"]!, (int)t["tree"]!, (double?)t["floralBuds"])),
        ];
    }

    /// <summary>Waits until what was counted since is this.</summary>
    private async Task Arrived(
        string code,
        IEnumerable<(int Row, int Tree, double? Buds)> before,
        params (int Row, int Tree, double? Buds)[] since
    )
    {
        var end = DateTime.UtcNow.AddSeconds(30);
        List<(int Row, int Tree, double? Buds)> now;
        while (!(now = [.. (await Counted(code)).Except(before)]).SequenceEqual(since) && DateTime.UtcNow < end)
            await Task.Delay(50, TestContext.Current.CancellationToken);
        Assert.Equal(since, now);
    }

    [Fact]
    public async Task The_pass_at_hand_is_read_without_signal()
    {
        await using var cable = new Cable(server.Address);
        using var page = Phone(cable);
        TakeAlong(page, "H4");
        await cable.CutAsync();
        page.OpenInRow("H4");
        page.Click(By.LinkText("Card"));
        // What to leave, when to stop, and what holds it up: all three, with no line to the office.
        page.Says("[data-test='field-pass-winter']", "floral buds");
        page.Says("[data-test='field-pass-winter']", "Next tree");
        page.Says("[data-test='field-pass-winter']", "Hard freeze");
        page.Says("[data-test='field-pass-brush']", "Chipper only by trained people");
    }

    [Fact]
    public async Task Five_trees_counted_without_signal_arrive_once_after_a_closed_browser()
    {
        await using var cable = new Cable(server.Address);
        var profile = Profile();
        var before = await Counted("W4");
        using (var page = Phone(cable, profile))
        {
            TakeAlong(page, "W4");
            await cable.CutAsync();
            // A cold start without signal: page, scripts and planting come from the device.
            page.Open("/field");
            page.OpenInRow("W4");
            for (var tree = 1; tree <= 5; tree++)
                CountTree(page, 20, tree);
            Waiting(page, 5);
            page.Click("[data-test='five-floral']");
            page.Click("[data-test='key-floral']");
            page.Says("[data-test='total']", "6");
        }
        Assert.Equal(before, await Counted("W4"));

        using (var page = Phone(cable, profile))
        {
            // The browser was closed in the middle of a tree, and there is still no signal.
            page.Open("/field");
            page.OpenInRow("W4");
            page.Says("[data-test='total']", "6");
            Waiting(page, 5);
            cable.Mend();
            page.Click("[data-test='sync']");
            Waiting(page, 0);
            page.Click("[data-test='sync']");
            page.Until("all sent", () => page.Find("[data-test='sync']").GetAttribute("data-state") == "idle");
        }
        var arrived = (await Counted("W4")).Except(before).ToList();
        Assert.Equal([101, 102, 103, 104, 105], arrived.Select(t => t.Buds!.Value).Order());
        Assert.Equal(before.Count + 5, (await Counted("W4")).Count);
    }

    [Fact]
    public async Task What_is_refused_stays_is_told_and_can_be_sent_again()
    {
        await using var cable = new Cable(server.Address);
        using var page = Phone(cable);
        TakeAlong(page, "H1");
        await cable.CutAsync();
        page.OpenInRow("H1");
        CountTree(page, 2, 1);
        Waiting(page, 1);
        // As a page with a fault would have kept it.
        page.Driver.ExecuteAsyncScript(
            """
            const done = arguments[arguments.length - 1];
            const open = indexedDB.open('rama-field');
            open.onsuccess = () => {
              const queue = open.result.transaction('queue', 'readwrite').objectStore('queue');
              queue.openCursor().onsuccess = ({ target: { result: at } }) => {
                if (!at) return done();
                at.update({ ...at.value, entry: { ...at.value.entry, row: 99999 } });
                at.continue();
              };
            };
            """
        );
        cable.Mend();
        page.Click("[data-test='sync']");
        page.Click("[data-test='not-taken']");
        page.Says("[data-test='refused-entry']", "Expected 1 to 9999");
        page.Says("[data-test='refused-entry']", "H1");
        page.Click("[data-test='send-again']");
        page.Until("all sent", () => page.Find("[data-test='sync']").GetAttribute("data-state") == "idle");
        page.Says("[data-test='refused-entry']", "Expected 1 to 9999");
    }

    [Fact]
    public async Task A_session_that_ended_without_signal_costs_nothing()
    {
        await using var cable = new Cable(server.Address);
        var profile = Profile();
        using (var page = Phone(cable, profile))
        {
            TakeAlong(page, "H3");
            await cable.CutAsync();
            page.Open("/field");
            page.OpenInRow("H3");
            CountTree(page, 3, 2);
            Waiting(page, 1);
        }
        using (var page = Phone(cable, profile, role: null))
        {
            cable.Mend();
            page.Driver.Manage().Cookies.DeleteAllCookies();
            page.Open("/field");
            page.OpenInRow("H3");
            // Counting goes on; only sending waits for the sign-in.
            page.Says(".field-note", "Sign in to send");
            CountTree(page, 4, 0);
            Waiting(page, 2);
            page.Click("[data-test='ask-sign-in']");
            page.Type("email", "counter@larkfold.example");
            page.Type("password", RamaApplication.Password);
            page.Click("[data-test='sign-in']");
            Waiting(page, 0);
        }
        Assert.Equal([17, 20], (await Counted("H3")).Where(t => t.Buds is 17 or 20).Select(t => t.Buds!.Value).Order());
    }

    // Must show: twenty limbs and the girth in 45 taps, none of the keys under 44 px.
    [Fact]
    public async Task A_tree_of_twenty_limbs_is_counted_on_the_pad_with_one_thumb()
    {
        using var page = new Page(server, 360, 640, phone: true, role: Role.Counter).Open("/field");
        var before = await Counted("W4");
        page.OpenInRow("W4");
        page.Find("[data-test='digit-5']");
        var sizes = page.Script<IReadOnlyCollection<object>>(
            """
            return [...document.querySelectorAll('.tally button')].filter((b) => b.offsetParent)
              .map((b) => b.getBoundingClientRect())
              .filter((r) => r.height < 44 || r.width < 44).map((r) => `${r.width}×${r.height}`);
            """
        );
        Assert.Empty(sizes);
        var taps = 0;
        void Tap(string key)
        {
            page.Click($"[data-test='{key}']");
            taps++;
        }
        var clock = System.Diagnostics.Stopwatch.StartNew();
        for (var limb = 1; limb <= 20; limb++)
        {
            Tap($"digit-{limb % 3 + 6}");
            if (limb < 20)
                Tap("limb-done");
        }
        Tap("at-girth");
        foreach (var sign in "15.5")
            Tap($"digit-{sign}");
        Tap("tree-done");
        // 7 × 7 of limbs 1, 4 …, 8 × 7 of 2, 5 …, 6 × 6 of 3, 6 …: 49 + 56 + 36
        Waiting(page, 0);
        Assert.InRange(taps, 1, 45);
        Console.WriteLine(
            $"Twenty limbs and the girth: {taps} taps, {clock.Elapsed.TotalSeconds:0.0} s of the machine"
        );
        using var client = server.ClientOf();
        var tree = (await client.PlantingAsync("W4"))["count"]!["trees"]!
            .AsArray()
            .Single(t => !before.Contains(((int)t!["row"]!, (int)t["tree"]!, (double?)t["floralBuds"])))!;
        Assert.Equal(
            (141, 20, 15.5),
            ((double)tree["floralBuds"]!, (double)tree["limbs"]!, (double)tree["girth"]!["value"]!)
        );
    }

    [Fact]
    public void A_tree_is_counted_by_kind_limb_by_limb_from_the_keyboard()
    {
        using var page = new Page(server, role: Role.Counter).ByTaps().Open("/field");
        page.OpenInRow("H6");
        page.Click("[data-test='manner']");
        page.Click("[data-test='by-kinds']");
        page.Click("[data-test='limbwise']");
        foreach (var key in "1112")
            page.Find("body").SendKeys($"{key}");
        page.Says("[data-test='total']", "4");
        page.Find("body").SendKeys(Keys.Backspace);
        page.Says("[data-test='total']", "3");
        page.Find("body").SendKeys(Keys.Enter);
        page.Says(".tally-limb", "Limb 2: 0");
    }

    [Fact]
    public async Task A_second_touch_stores_no_empty_tree_and_an_empty_tree_is_asked()
    {
        using var page = Phone();
        page.Open("/field");
        var before = await Counted("H4");
        page.OpenInRow("H4");
        page.Find("[data-test='tree-done']");
        // It has no rows listed, so the tree is asked first.
        foreach (var (field, number) in new[] { ("row", "3"), ("tree", "17") })
        {
            page.Find($"[data-test='{field}']").SendKeys(Keys.Control + "a");
            page.Find($"[data-test='{field}']").SendKeys(number);
        }
        page.Click("[data-test='place']");
        // The first of the two touches ends the tree; the second, at once, is the same thumb.
        page.Script<object>(
            """
            document.querySelector("[data-test='five-floral']").click();
            for (let i = 0; i < 40; i++) document.querySelector("[data-test='five-floral']").click();
            return null;
            """
        );
        page.Says("[data-test='total']", "205");
        page.Script<object>(
            """
            const done = document.querySelector("[data-test='tree-done']");
            done.click();
            setTimeout(() => document.querySelector("[data-test='tree-done']")?.click(), 150);
            return null;
            """
        );
        page.Says("[data-test='total']", "0");
        await Arrived("H4", before, (3, 17, 205));

        // Later it is meant, and asked.
        page.Find("[data-test='tree']").SendKeys("18");
        page.Until("the question", () =>
        {
            page.Click("[data-test='tree-done']");
            return page.Driver.FindElements(By.CssSelector("[data-test='doubt']")).Count > 0;
        });
        page.Says("[data-test='doubt']", "No bud is counted");
        page.Click("[data-test='count-on']");
        page.Find("[data-test='tree-done']");
        Assert.Equal(before.Count + 1, (await Counted("H4")).Count);
    }

    [Fact]
    public async Task An_unlikely_count_is_asked_and_a_tree_counted_is_put_right_and_moved()
    {
        using var page = Phone();
        page.Open("/field");
        var before = await Counted("H10");
        page.OpenInRow("H10");
        // It has no rows listed, so the tree is asked first.
        page.Find("[data-test='row']").SendKeys("3");
        page.Find("[data-test='tree']").SendKeys("17");
        page.Click("[data-test='place']");
        page.Click("[data-test='manner']");
        page.Click("[data-test='pad']");
        page.Click("[data-test='manner']");
        foreach (var digit in "8792")
            page.Click($"[data-test='digit-{digit}']");
        page.Click("[data-test='tree-done']");
        page.Says("[data-test='doubt']", "8,792 floral buds");
        page.Click("[data-test='count-on']");
        page.Click("[data-test='undo']");
        page.Says("[data-test='total']", "879");
        page.Click("[data-test='tree-done']");
        page.Says("[data-test='total']", "0");
        Waiting(page, 0);
        Assert.Equal(
            [(3, 17, 879.0)],
            (await Counted("H10")).Except(before).Select(t => (t.Row, t.Tree, t.Buds!.Value))
        );

        // The sheet of places is open for the next tree.
        page.Click("[data-test='own-trees'] button");
        page.Says("[data-test='total']", "879");
        foreach (var digit in "780")
            page.Click($"[data-test='digit-{digit}']");
        page.Says("[data-test='total']", "780");
        page.Click("[data-test='place']");
        page.Find("[data-test='tree']").SendKeys(Keys.Control + "a");
        page.Find("[data-test='tree']").SendKeys("18");
        page.Click("[data-test='tree-done']");
        page.Says("[data-test='total']", "0");
        Waiting(page, 0);
        Assert.Equal(
            [(3, 18, 780.0)],
            (await Counted("H10")).Except(before).Select(t => (t.Row, t.Tree, t.Buds!.Value))
        );
    }

    [Fact]
    public void What_is_wrong_with_a_tree_is_told_before_it_leaves()
    {
        using var page = Phone();
        page.Open("/field");
        page.OpenInRow("W4");
        page.Find("[data-test='girth']").SendKeys("163");
        page.Says(".tally-more .field-problem", "Odd girth");
        page.Click("[data-test='place']");
        page.Find("[data-test='row']").SendKeys(Keys.Control + "a");
        page.Find("[data-test='row']").SendKeys("99");
        page.Click("[data-test='tree-done']");
        page.Says(".tally > .field-problem", "no row 99");
        page.Shows("[data-test='girth']", "163");
    }

    [Fact]
    public async Task Buds_cut_and_marks_of_the_walk_arrive()
    {
        using var page = Phone();
        page.Open("/field");
        page.OpenInRow("H2");
        page.Click(By.LinkText("Buds"));
        page.Find("[data-test='row']").SendKeys("4");
        page.Find("[data-test='tree']").SendKeys("20");
        for (var i = 0; i < 3; i++)
            page.Click("[data-test='cut-floral']");
        page.Click("[data-test='cut-dead']");
        page.Click("[data-test='undo']");
        page.Click("[data-test='cut-vegetative']");
        page.Says("[data-test='cut-share']", "75 %");
        // One entry a sample, and none of it lost with the page.
        Waiting(page, 0);
        page.Driver.Navigate().Refresh();
        page.Says("[data-test='sample-done']", "4");
        page.Click("[data-test='sample-done']");
        page.Click("[data-test='cut-floral']");
        page.Click(By.LinkText("Walk"));
        // Both pages ask for a row, and this one knows it.
        page.Find("[data-test='extension']");
        page.Shows("[data-test='row']", "4");
        page.Find("[data-test='extension']").SendKeys("12");
        page.Click("[data-test='condition-canker']");
        page.Click("[data-test='keep-mark']");
        Waiting(page, 0);

        using var client = server.ClientOf();
        var planting = await client.PlantingAsync("H2");
        var cut = Assert.Single(planting["count"]!["budCuts"]!.AsArray())!;
        Assert.Equal((4, 1, 0), ((int)cut["floral"]!, (int)cut["vegetative"]!, (int)cut["dead"]!));
        var told = await client.ReadAsync($"/api/v1/plantings/{planting["id"]}/field");
        Assert.Equal(2, told["entries"]!.AsArray().Count(e => (string)e!["kind"]! == "cut"));
        Assert.Equal("weak", (string)told["vigour"]!["vigour"]!);
    }

    [Fact]
    public async Task A_photograph_says_what_it_shows_is_seen_at_the_desk_and_removed()
    {
        using var client = server.ClientOf();
        var planting = await client.PlantingAsync("H6");
        async Task<JsonArray> Photos() =>
            (await client.ReadAsync($"/api/v1/plantings/{planting["id"]}/field"))["photos"]!.AsArray();
        var picture = Path.Combine(Path.GetTempPath(), $"rama-{Guid.NewGuid():n}.png");
        using (var page = Phone())
        {
            page.Open("/field");
            page.OpenInRow("H6");
            page.Click(By.LinkText("Walk"));
            page.Find("[data-test='row']").SendKeys("3");
            page.Find("[data-test='extension']");
            ((ITakesScreenshot)page.Driver).GetScreenshot().SaveAsFile(picture);
            void Take() => page.Driver.FindElement(By.CssSelector("[data-test='photo-file']")).SendKeys(picture);
            Take();
            page.Find("[data-test='photo-caption'] img");
            page.Find("[data-test='photo-caption'] input").SendKeys("Canker at the union");
            page.Click("[data-test='photo-caption'] button[type='submit']");
            Waiting(page, 0);
            // One thrown away is not sent; one left without a word is.
            Take();
            page.Click("[data-test='photo-caption'] button[type='button']");
            page.Until("gone", () =>
                page.Driver.FindElements(By.CssSelector("[data-test='photo-caption']")).Count == 0
            );
            Take();
            page.Find("[data-test='photo-caption']");
            page.Click(By.LinkText("Buds"));
            page.Until("both arrived", () => Photos().GetAwaiter().GetResult().Count == 2);
            Waiting(page, 0);
        }
        File.Delete(picture);
        var photos = await Photos();
        Assert.Equal([null, "Canker at the union"], photos.Select(p => (string?)p!["caption"]).Order());
        Assert.Equal([3, 3], photos.Select(p => (int?)p!["row"]));

        using var desk = new Page(server).OpenPlanting("H6", "count");
        desk.Says("[data-test='photos']", "Canker at the union");
        Assert.Empty(Axe.Faults(desk));
        foreach (var left in new[] { 1, 0 })
        {
            desk.Click("[data-test='photo-remove']");
            desk.Says("[data-test='photos']", "Remove it for good");
            desk.Click("[data-test='photo-remove']");
            desk.Until("removed", () =>
                desk.Driver.FindElements(By.CssSelector("[data-test='photo-remove']")).Count == left
            );
        }
        Assert.Empty(await Photos());
    }
}
