using System.Diagnostics;
using System.Globalization;
using System.Text;
using OpenQA.Selenium;
using Rama.Web.Tests;

namespace Rama.Browser.Tests;

/// <summary>Somebody new with the files they have: from nothing to a printed card.</summary>
public sealed class FirstHourTests(EmptyServer server) : IClassFixture<EmptyServer>
{
    private const int MostActions = 30;

    private static string Messy(string name) =>
        RamaApplication.RepositoryFile($"tests/Rama.Web.Tests/Files/messy/{name}");

    // Eight trees each, walked and typed into a sheet; 15 cm round a nine-year spindle.
    private static string Counts()
    {
        var text = new StringBuilder("Block,Row,Tree,Girth (in),Limbs,Floral buds\n");
        foreach (var (block, buds) in new[] { ("101", 260), ("102", 310), ("103", 280) })
            for (var i = 0; i < 8; i++)
                text.AppendLine(
                    CultureInfo.InvariantCulture,
                    $"{block},{2 + i},{10 + 7 * i},{6 + 0.1 * (i % 3)},{20 + i % 4},{buds + 6 * (i % 5)}"
                );
        var path = Path.Combine(Directory.CreateTempSubdirectory("rama").FullName, "counts.csv");
        File.WriteAllText(path, text.ToString());
        return path;
    }

    [Fact]
    public void From_nothing_to_a_printed_card()
    {
        using var page = new Page(server, role: null).Open("/");
        var hands = new Hands(page);
        var time = Stopwatch.StartNew();

        hands.Type("first.code", "first-code");
        hands.Type("first.estate", "Harrow Gap");
        hands.Type("first.season", "2027");
        hands.Type("first.name", "Manager");
        hands.Type("first.email", "manager@harrowgap.example");
        hands.Type("first.password", "twelve rows of winter light");
        hands.Click("[data-test='create']");

        hands.Choose("[data-test='how-you-read'] .field:nth-of-type(1) select", "us");
        hands.Choose("[data-test='how-you-read'] .field:nth-of-type(4) select", "USD");
        hands.Click("[data-test='read-so']");

        hands.Click("[data-test='start-file']");
        hands.File(Messy("us-packing-house.csv"));
        page.Says("[data-test='report']", "can be taken over");
        hands.Click("[data-test='import']");
        page.Says("[data-test='report']", "taken over");
        hands.Click("[data-test='to-known']");
        page.Says("[data-test='next-steps']", "no past yields");
        hands.Click("[data-test='do-past']");
        hands.File(Messy("years-as-columns.csv"));
        page.Says("[data-test='report']", "can be taken over");
        hands.Click("[data-test='import']");
        hands.Click("[data-test='to-known']");

        hands.Click("[data-test='do-targets']");
        hands.Click("[data-test='show-rule']");
        page.Says("[data-test='rule-table']", "Gap North");
        hands.Click("[data-test='set-rule']");
        page.Says("[data-test='rule-done']", "set");

        hands.Click(".shell-places a[href='/exchange']");
        hands.File(Counts());
        page.Says("[data-test='report']", "can be taken over");
        hands.Click("[data-test='import']");
        hands.Click("[data-test='to-known']");
        hands.Click("[data-test='do-cards']");
        page.Says("[data-test='the-card']", "Leave");

        var card = page.Print();
        var said = string.Concat(card.GetPages().Select(p => p.Text));
        Assert.Contains("Leave", said, StringComparison.Ordinal);
        Console.WriteLine(
            $"From nothing to a printed card: {hands.Actions} actions, {time.Elapsed.TotalSeconds:0.0} s of the machine"
        );
        Assert.InRange(hands.Actions, 1, MostActions);
        Assert.Empty(page.Complaints());
    }

    /// <summary>What a person does, counted: a press, a choice, a field filled in, a file given.</summary>
    private sealed class Hands(Page page)
    {
        public int Actions { get; private set; }

        public void Click(string css)
        {
            page.Click(css);
            Actions++;
        }

        public void Type(string field, string text)
        {
            page.Type(field, text);
            Actions++;
        }

        public void Choose(string css, string value)
        {
            page.Find($"{css} option[value='{value}']").Click();
            Actions++;
        }

        public void File(string path)
        {
            page.Until("the file input", () =>
                    page.Driver.FindElements(By.CssSelector("[data-test='file']")).FirstOrDefault()
                )
                .SendKeys(path);
            Actions++;
        }
    }
}
