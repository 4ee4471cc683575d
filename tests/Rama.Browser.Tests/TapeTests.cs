using OpenQA.Selenium;
using UglyToad.PdfPig.Core;

namespace Rama.Browser.Tests;

/// <summary>The bud tape is an instrument: what comes out of the printer has the measures it says.</summary>
public sealed class TapeTests(RamaServer server) : IClassFixture<RamaServer>
{
    // ISO 216 and ANSI A print alike; a point is 1/72 of an inch.
    private const double MmPerPoint = 25.4 / 72,
        StripMm = 11;

    [Theory]
    [InlineData("A4", "en", "m · cm", 50)]
    [InlineData("Letter", "es", "ft · in", 50.8)]
    public void It_is_printed_true_to_scale(string paper, string language, string units, double checkMm)
    {
        using var page = new Page(server, language: language).OpenPlanting("H4", "prescribe");
        page.Click("[data-test='card']");
        page.Find("[data-test='tape'] .tape-strip");
        foreach (var choice in new[] { paper, units })
            page.Driver.FindElement(By.XPath($"//*[contains(@class,'card-tools')]//*[text()='{choice}']")).Click();
        page.Find($".card-tape-sheet.card-{paper.ToLowerInvariant()}");
        page.Until("the line in the units chosen", () =>
            page.Find(".tape-check svg").GetAttribute("width") == FormattableString.Invariant($"{checkMm:0.#}mm")
        );
        using var printed = page.Print();
        var sheet = printed.GetPage(2);
        var drawn = sheet.Paths.Select(p => p.GetBoundingRectangle()).OfType<PdfRectangle>().ToList();

        // The line that checks the printer, with half its own width at either end.
        Assert.Contains(drawn, p => Math.Abs(Mm(p.Width) + 0.25 - checkMm) < 0.1 && Mm(p.Height) is > 4 and < 6);

        // Limbs are read from 8 to 22 mm thick on this system: π times that, 25.1 to 69.1 mm round (geometry).
        var high = drawn.Where(p => Math.Abs(Mm(p.Height) - StripMm) < 0.1).ToList();
        var strips = high.Where(p => Mm(p.Width) > 80).ToList();
        Assert.True(strips.Count >= 9, $"{strips.Count} strips");
        foreach (var strip in strips)
        {
            Assert.InRange(Mm(strip.Width), 89.0, 89.2);
            var parts = high.Where(p => p != strip && Inside(p, strip) && Mm(p.Width) < 80)
                .Select(p => (From: Mm(p.Left - strip.Left), To: Mm(p.Right - strip.Left)))
                .ToList();
            Assert.Contains(parts, p => Math.Abs(p.From - 69.1) < 0.15 && Math.Abs(p.To - 89.1) < 0.15);
            Assert.InRange(parts.Where(p => p.To - p.From < 0.1).Min(p => p.From), 25.0, 25.3);
        }
        Assert.All(NumbersOn(sheet), n => Assert.Contains(strips, s => n.X > s.Left && n.X < s.Right));
    }

    private static double Mm(double points) => points * MmPerPoint;

    private static bool Inside(PdfRectangle part, PdfRectangle of) =>
        part.Left > of.Left - 1 && part.Right < of.Right + 1 && Math.Abs(part.Bottom - of.Bottom) < 1;

    // Below the sentences and the line, digits are numbers of strips.
    private static IEnumerable<PdfPoint> NumbersOn(UglyToad.PdfPig.Content.Page sheet) =>
        sheet
            .Letters.Where(l => char.IsAsciiDigit(l.Value[0]) && Mm(sheet.Height - l.Location.Y) > 75)
            .Select(l => l.Location);
}
