using System.Text.Json;
using Rama.Core.Explain;
using Rama.Core.Passes;
using Rama.Core.Systems;
using Rama.Core.Training.Rework;

namespace Rama.Core.Tests.Prescribe;

/// <summary>Cautions of handbook 5.5, line by line: on every card, and at the steps and passes where they
/// belong.</summary>
public sealed class CautionTests
{
    private static string Safety(string language)
    {
        using var file = typeof(PassDefinition).Assembly.GetManifestResourceStream("Prescribe/card-words.json")!;
        using var words = JsonDocument.Parse(file);
        return words.RootElement.GetProperty("safety").GetProperty(language).GetString()!;
    }

    [Theory]
    [InlineData("Eye protection always", "Gafas de protección siempre")]
    [InlineData("Glove on the hand opposite powered shears", "Guante en la mano contraria")]
    [InlineData("Ladder on firm ground, three points of contact", "Escalera en suelo firme, tres puntos de apoyo")]
    [InlineData(
        "Platforms only by trained people, away from power lines",
        "Plataformas y motosierra solo personal formado"
    )]
    [InlineData(
        "Chain-saws only by trained people with full protection",
        "motosierra solo personal formado y protegido"
    )]
    [InlineData("Heavy limbs in two cuts, nobody below", "Ramas pesadas en dos cortes, nadie debajo")]
    [InlineData("cold, heat and working alone", "frío, calor y trabajo a solas")]
    [InlineData("Sharp, clean tools", "Herramientas afiladas y limpias")]
    [InlineData("Local rules and licensed advice come first", "Normas locales y asesor autorizado, primero")]
    public void Every_card_says_it(string english, string spanish)
    {
        Assert.Contains(english, Safety("en"), StringComparison.Ordinal);
        Assert.Contains(spanish, Safety("es"), StringComparison.Ordinal);
    }

    // Were there none, nothing would be missing.
    private static List<PassDefinition> PassesOf(Hands hands)
    {
        var passes = TrainingSystem
            .Shipped.SelectMany(s => s.AllPasses())
            .DistinctBy(p => (p.Id, p.Caution?.En))
            .Where(p => p.Hands.Contains(hands))
            .ToList();
        Assert.NotEmpty(passes);
        return passes;
    }

    // Growth regulators, branching agents: as the label says, by licensed applicators where the law asks.
    [Fact]
    public void Whoever_sprays_is_licensed_where_the_law_asks() =>
        Assert.All(PassesOf(Hands.Applicator), p => Says(p.Caution, "label", "licensed"));

    [Fact]
    public void Work_at_height_names_ladder_and_platform() =>
        Assert.All(PassesOf(Hands.Height), p =>
            Says(p.Caution, "Ladder on firm ground", "Platforms only by trained people")
        );

    // Where a whole scaffold, side or leader is taken the wood is heavy.
    [Theory]
    [InlineData("broad-canopy", "scaffold")]
    [InlineData("flush-tipped-dome", "scaffold")]
    [InlineData("pedestrian-peach", "side")]
    [InlineData("multi-leader-wall", "inner-leader")]
    public void Heavy_wood_comes_down_in_two_cuts_and_saws_are_for_the_trained(string system, string step) =>
        Says(
            TrainingSystem.Find(system)!.Steps.Single(s => s.Id == step).Caution,
            "two cuts",
            "Chain-saws only by trained people with full protection"
        );

    [Fact]
    public void Caustic_sap_is_named_where_it_flows() =>
        Says(
            TrainingSystem.Find("flush-tipped-dome")!.Steps.Single(s => s.Id == "scaffold").Caution,
            "Caustic sap",
            "gloves"
        );

    [Fact]
    public void Wound_products_are_used_as_the_label_says() =>
        Says(ReworkRules.Shipped.Tasks.Single(t => t.Id == "graft").Caution, "Wound products only as the label says");

    private static void Says(LocalText? caution, params string[] words) =>
        Assert.All(words, w => Assert.Contains(w, caution?.En ?? "", StringComparison.OrdinalIgnoreCase));
}
