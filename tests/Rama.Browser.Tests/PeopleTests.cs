using OpenQA.Selenium;
using Rama.Data.People;
using Rama.Web.Tests;

namespace Rama.Browser.Tests;

/// <summary>Coming in, being kept to one's role, and coming back without losing what was typed.</summary>
public sealed class PeopleTests(RamaServer server) : IClassFixture<RamaServer>
{
    private static void SignIn(Page page, string email, string password)
    {
        page.Type("email", email);
        page.Type("password", password);
        page.Click("[data-test='sign-in']");
    }

    [Fact]
    public void A_person_signs_in_and_out()
    {
        using var page = new Page(server, role: null).Open("/");
        SignIn(page, "crew@larkfold.example", "not the password");
        page.Says(".sign-in", "E-mail or password is wrong");
        SignIn(page, "crew@larkfold.example", RamaApplication.Password);
        page.Says("[data-test='account']", "Crew A");
        page.FindLine("H4");
        page.Click("[data-test='account']");
        page.Click("[data-test='sign-out']");
        page.Find("[data-test='sign-in']");
    }

    [Fact]
    public void A_session_that_ends_in_the_middle_of_work_loses_nothing()
    {
        using var page = new Page(server, role: Role.CrewLead).OpenPlanting("W1", "decide");
        page.Driver.ExecuteCdpCommand("Network.clearBrowserCookies", []);
        // The preview of what is typed is the first to be refused.
        page.Type("settings.tolerance", "14");
        page.Says(".sign-in-over", "what you typed is still here");
        page.Type("password", RamaApplication.Password);
        page.Click("[data-test='sign-in']");
        page.Until("the page again", () => page.Driver.FindElements(By.CssSelector(".sign-in-over")).Count == 0);
        Assert.Equal("14", page.Find("[data-field='settings.tolerance'] input").GetAttribute("value"));
        page.Save();
    }

    [Fact]
    public void A_machine_gets_a_token_that_is_shown_once_and_withdrawn()
    {
        using var page = new Page(server).Open("/people");
        page.Find("[data-test='machines']");
        page.Click("[data-test='make-token']");
        page.Says("[data-field='machine']", "Please fill this in");
        page.Type("machine", "Gate scanner");
        page.Click("[data-test='make-token']");
        page.Says("[data-test='hand-over'] code", "rama_");
        page.Says("[data-test='machines'] table", "never");
        page.Open("/people");
        page.Says("[data-test='machines'] table", "Gate scanner");
        Assert.DoesNotContain("rama_", page.Driver.PageSource);
        page.Click("[aria-label='Withdraw: Gate scanner']");
        page.Click(".ant-popconfirm .ant-btn-primary");
        page.Until("withdrawn", () =>
            page.Driver.FindElements(By.CssSelector("[aria-label='Withdraw: Gate scanner']")).Count == 0
        );
    }

    [Fact]
    public void A_counter_counts_and_reads_the_rest()
    {
        using var page = new Page(server, role: Role.Counter).OpenPlanting("H2", "target");
        page.Says("[data-test='read-only']", "Your role reads this");
        Assert.False(page.Find("[data-field='target.yield'] input").Enabled);
        page.Click(".rail-stage[href*='count']");
        page.Find("[data-test='save']");
        Assert.Empty(page.Driver.FindElements(By.CssSelector("[href='/people']")));
    }

    [Fact]
    public void Who_reads_english_with_a_decimal_comma_does_so_everywhere()
    {
        using var page = new Page(server).Open("/");
        page.FindLine("H4");
        page.Click("[data-test='account']");
        page.Find(".account-menu .field:nth-of-type(3) select option[value=',']").Click();
        page.Says(".season-head", "35,5 ha");
        page.OpenPlanting("H4", "estate");
        page.Shows("[data-field='planting.area'] input", "4,2");
        page.OpenPlanting("H4", "prescribe");
        // A card is in a language, not in a way of writing numbers.
        page.Click("[data-test='issue']");
        page.Says("[data-test='cards-issued']", "English");
        page.Click("[data-test='account']");
        page.Find(".account-menu .field:nth-of-type(3) select option[value='.']").Click();
        Assert.Empty(page.Complaints());
    }

    [Theory]
    [InlineData("/estate")]
    [InlineData("/people")]
    [InlineData("/targets")]
    [InlineData("/plantings/new")]
    [InlineData("/scans")]
    public void A_page_of_managers_says_so_to_others(string path)
    {
        using var page = new Page(server, role: Role.CrewLead).Open(path);
        page.Says("[data-test='not-yours']", "managers only");
        Assert.Empty(page.Driver.FindElements(By.CssSelector("main input")));
    }

    [Fact]
    public void The_keys_are_the_same_on_every_page()
    {
        using var page = new Page(server).OpenPlanting("H4", "card", planting: false);
        page.Find("[data-test='the-card']");
        page.Find("body").SendKeys("7");
        page.Says(".planting-head", "H4");
        page.Until("the result", () => page.Driver.Url.EndsWith("/result", StringComparison.Ordinal));
        page.Find("body").SendKeys("?");
        page.Says("[data-test='keys']", "find a block");
        page.Press(Keys.Escape);
        page.Until("the sheet gone", () =>
            page.Driver.FindElements(By.CssSelector("[data-test='keys']")).All(k => !k.Displayed)
        );
        var before = page.Driver.Url;
        page.Find("body").SendKeys("j");
        page.Until("another planting", () =>
            page.Driver.Url != before && page.Driver.Url.EndsWith("/result", StringComparison.Ordinal)
        );
        page.Find("body").SendKeys("/");
        page.Until("the box", () => page.Driver.SwitchTo().ActiveElement().GetAttribute("data-test") == "find");
        // What is typed now is looked for, and switches nothing.
        page.Press("4");
        page.Shows("[data-test='find']", "4");
    }

    [Fact]
    public void A_manager_closes_the_season_and_goes_back()
    {
        using var page = new Page(server).Open("/estate");
        page.Type("estate.crewHoursPerWeek", "0");
        page.Click("[data-test='save-estate']");
        Assert.Contains("Expected 1 to", page.Problem("estate.crewHoursPerWeek"), StringComparison.Ordinal);
        page.Click("[data-test='next-season']");
        page.Says(".shell", "winter 2027–28");
        page.Says("main", "Season 2028");
        page.Driver.FindElement(By.XPath("//button[contains(., 'Back to 2027')]")).Click();
        page.Says("main", "Season 2027");
    }

    private string Invited(string name)
    {
        using var page = new Page(server).Open("/people");
        page.Type("person.name", name);
        page.Click("[data-test='invite']");
        var link = page.Find("[data-test='hand-over'] code").Text;
        page.Says("[data-test='invitations']", name);
        return new Uri(link).PathAndQuery + new Uri(link).Fragment;
    }

    [Fact]
    public void Whoever_is_invited_makes_an_account_and_comes_in()
    {
        var link = Invited("Counter 3");
        using (var theirs = new Page(server, role: null).Open(link))
        {
            theirs.Says(".sign-in", "Larkfold Orchards");
            theirs.Type("join.name", "Counter 3");
            theirs.Type("join.email", "nowhere");
            theirs.Type("join.password", "three long rows");
            theirs.Click("[data-test='join']");
            Assert.Contains("Expected an address", theirs.Problem("join.email"), StringComparison.Ordinal);
            theirs.Type("join.email", "counter3@larkfold.example");
            theirs.Click("[data-test='join']");
            theirs.Says("[data-test='account']", "Counter 3");
            theirs.FindLine("H4");
        }
        using (var again = new Page(server, role: null).Open(link))
            again.Says(".sign-in", "not good any more");
        using var page = new Page(server).Open("/people");
        page.Says("[data-test='people']", "Counter 3");
    }

    [Fact]
    public void Whoever_has_an_account_joins_with_it_and_signs_out_elsewhere()
    {
        var link = Invited("The bookkeeper");
        using var page = new Page(server, role: null).Open(link);
        page.Click(By.XPath("//button[contains(., 'I have an account')]"));
        SignIn(page, "reader@larkfold.example", RamaApplication.Password);
        page.Click("[data-test='accept']");
        page.Says("[data-test='account']", "Bookkeeper");
        page.Open("/sessions");
        page.Says("[data-test='sessions']", "here");
        using var elsewhere = new Page(server, role: null).Open("/");
        SignIn(elsewhere, "reader@larkfold.example", RamaApplication.Password);
        elsewhere.Says("[data-test='account']", "Bookkeeper");
        elsewhere.Open("/sessions");
        elsewhere.Click("[data-test='end-others']");
        page.Open("/");
        page.Find("[data-test='sign-in']");
    }

    [Fact]
    public void A_counter_who_signs_in_lands_in_the_row_with_plantings_without_a_target_too()
    {
        using var page = new Page(server, 390, 844, phone: true, role: null).Open("/");
        SignIn(page, "counter@larkfold.example", RamaApplication.Password);
        // W6 has no target in the demo.
        page.Find("[data-test='count-W6'][data-taken='true']");
        Assert.EndsWith("/field", new Uri(page.Driver.Url).AbsolutePath, StringComparison.Ordinal);
    }
}

/// <summary>An installation without anybody in it.</summary>
public sealed class EmptyServer : RamaServer
{
    protected override string? Demo => null;
}

/// <summary>The first manager of an empty installation.</summary>
public sealed class FirstManagerTests(EmptyServer server) : IClassFixture<EmptyServer>
{
    [Fact]
    public void The_first_manager_begins_an_estate()
    {
        using var page = new Page(server, role: null).Open("/");
        page.Type("first.code", "a guess");
        page.Type("first.estate", "New Ground");
        page.Type("first.season", "2027");
        page.Type("first.name", "Manager");
        page.Type("first.email", "first@new.example");
        page.Type("first.password", "first of all");
        page.Click("[data-test='create']");
        Assert.Contains("This is not right", page.Problem("first.code"), StringComparison.Ordinal);
        page.Type("first.code", "first-code");
        page.Click("[data-test='create']");
        page.Says(".shell", "New Ground");
        page.Says("main", "no plantings yet");
    }
}
