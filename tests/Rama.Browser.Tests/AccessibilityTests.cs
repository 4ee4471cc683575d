namespace Rama.Browser.Tests;

/// <summary>What can be reached without a mouse and read without good eyes.</summary>
public sealed class AccessibilityTests(RamaServer server) : IClassFixture<RamaServer>
{
    public static readonly TheoryData<string> Stages =
    [
        "estate",
        "target",
        "count",
        "decide",
        "prescribe",
        "passes",
        "result",
        "history",
    ];

    [Theory]
    [MemberData(nameof(Stages))]
    public void A_stage_has_no_accessibility_faults_and_no_complaints(string stage)
    {
        using var page = new Page(server).OpenPlanting("H4", stage);
        page.Find(".ledger svg");
        Assert.Empty(Axe.Faults(page));
        Assert.Empty(page.Complaints());
    }

    [Theory]
    [InlineData("/")]
    [InlineData("/plantings/new")]
    [InlineData("/targets")]
    [InlineData("/cards")]
    [InlineData("/cards/wall")]
    [InlineData("/people")]
    [InlineData("/crew")]
    [InlineData("/crew/people")]
    [InlineData("/crew/what-if")]
    [InlineData("/crew/depth")]
    [InlineData("/crew/costs")]
    [InlineData("/crew/list")]
    [InlineData("/crew/checks")]
    [InlineData("/exchange")]
    [InlineData("/known")]
    [InlineData("/year")]
    [InlineData("/days")]
    [InlineData("/routes")]
    [InlineData("/results")]
    [InlineData("/results/learned")]
    [InlineData("/results/seasons")]
    [InlineData("/results/winter")]
    [InlineData("/weather")]
    [InlineData("/map")]
    [InlineData("/estate")]
    [InlineData("/catalogue")]
    [InlineData("/catalogue/systems")]
    [InlineData("/catalogue/systems/compare")]
    [InlineData("/catalogue/systems/trees")]
    [InlineData("/practice")]
    [InlineData("/scans")]
    [InlineData("/field")]
    [InlineData("/field/today")]
    public void A_page_has_no_accessibility_faults(string path)
    {
        using var page = new Page(server).Open(path);
        page.Find("main h1");
        Assert.Empty(Axe.Faults(page));
    }

    [Theory]
    [InlineData("H7", "training", "[data-test='leaf-6'] .tree-wood")]
    [InlineData("H7", "training/leader", "[data-test='bud-37']")]
    [InlineData("W2", "renewal", "[data-test='ages']")]
    [InlineData("W11", "renewal", "[data-test='scaffold-round']")]
    [InlineData("H6", "rework", "[data-test='rework-rows']")]
    [InlineData("H6", "check", "[data-test='check-lanes']")]
    [InlineData("H1", "taking-out", "[data-test='marked']")]
    public void The_years_of_a_planting_have_no_accessibility_faults(string code, string path, string ready)
    {
        using var page = new Page(server).OpenPlanting(code, path);
        page.Find(ready);
        Assert.Empty(Axe.Faults(page));
    }

    [Fact]
    public void The_card_has_no_accessibility_faults()
    {
        using var page = new Page(server).OpenPlanting("H4", "prescribe");
        page.Click("[data-test='card']");
        page.Find("[data-test='the-card']");
        Assert.Empty(Axe.Faults(page));
    }

    [Theory]
    [InlineData(1280, 800)]
    [InlineData(390, 844)]
    public void The_bench_has_no_accessibility_faults_and_nothing_beside_the_window(int width, int height)
    {
        using var page = new Page(server, width, height, phone: width < 600).OpenPlanting(
            "H10",
            "bench",
            planting: false
        );
        page.Find(".tree-tag");
        Assert.Empty(Axe.Faults(page));
        Assert.Empty(page.Complaints());
        Assert.False(page.Script<bool>("return document.documentElement.scrollWidth > window.innerWidth"));
    }

    [Fact]
    public void The_editor_of_a_system_has_no_accessibility_faults()
    {
        using var page = new Page(server).Open("/catalogue/systems");
        page.Click("[data-test='system-open-v']");
        page.Find("[data-test='system-editor'] .tree-wood");
        Assert.Empty(Axe.Faults(page));
    }
}
