using Rama.Core.Decide;
using Rama.Core.Estate;
using Rama.Core.Explain;
using Rama.Core.Prescribe.Bench;
using Rama.Core.Quantities;
using Rama.Core.Systems;

namespace Rama.Core.Prescribe;

/// <summary>One cut as the card tells it.</summary>
/// <param name="Number">Number in the order, the same as on the screen.</param>
/// <param name="StepId">Identifier of the step, for the drawing.</param>
/// <param name="Made">Whether the cut is made this winter; the drawing shows only those.</param>
/// <param name="Name">The cut in two or three words.</param>
/// <param name="HowMany">How many.</param>
/// <param name="Falls">What is expected on the ground; empty where it cannot be foreseen.</param>
/// <param name="LookFor">What to look for.</param>
/// <param name="How">How to cut.</param>
/// <param name="Caution">Caution at this step.</param>
public sealed record CardCut(
    int Number, string StepId, bool Made, string Name, string HowMany, string Falls, string LookFor, string How, string? Caution);

/// <summary>What to leave and cut on the trees of one trunk class.</summary>
/// <param name="Name">The class.</param>
/// <param name="Trunk">How its trunks are told.</param>
/// <param name="Leave">Buds to leave.</param>
/// <param name="Cuts">How many of each cut of the card, in its order; empty where there is none.</param>
public sealed record CardClass(string Name, string Trunk, string Leave, IReadOnlyList<string> Cuts);

/// <summary>One mark of the limb gauge.</summary>
/// <param name="Limb">Diameter of the limb.</param>
/// <param name="Buds">Buds to leave on it.</param>
public sealed record CardGaugeMark(string Limb, string Buds);

/// <summary>A length the cuts go by.</summary>
/// <param name="Name">What it is.</param>
/// <param name="Value">The length with its unit.</param>
/// <param name="Body">The same by the crew's own measure; empty without one that comes near.</param>
public sealed record CardMeasure(string Name, string Value, string Body);

/// <summary>A big number on the card with its caption.</summary>
/// <param name="Value">The number as written.</param>
/// <param name="Caption">What it is.</param>
public sealed record CardNumber(string Value, string Caption);

/// <summary>
/// The page a pruner takes into the row, in words ready to print: what to leave, what to cut in which order, when to stop.
/// </summary>
/// <param name="Language">Language of the card.</param>
/// <param name="Kind">The decision.</param>
/// <param name="Block">Code and name of the block.</param>
/// <param name="About">Variety, rootstock, system, leaf and harvest.</param>
/// <param name="Headline">What to leave, in a sentence.</param>
/// <param name="PerLimb">The same on one limb.</param>
/// <param name="Numbers">Three numbers: standing now, to leave, fruit wanted.</param>
/// <param name="PerTree">Caption: per tree.</param>
/// <param name="CutsHeading">Heading of the cuts.</param>
/// <param name="Cuts">The cuts in order.</param>
/// <param name="IdleHeading">Heading of the cuts not made this winter.</param>
/// <param name="ClassesHeading">Heading of the trunk classes.</param>
/// <param name="ClassLeave">Heading of what they leave.</param>
/// <param name="Classes">Trunk classes; empty where trunks are not known.</param>
/// <param name="GaugeHeading">Heading of the limb gauge.</param>
/// <param name="Gauge">Buds to leave on a limb by its thickness; empty under no prune.</param>
/// <param name="Stop">The stop rule.</param>
/// <param name="Look">How the right result will look.</param>
/// <param name="Notes">Thinning left over, an unsettled count, checks.</param>
/// <param name="KeepHeading">Heading of what not to cut.</param>
/// <param name="Keep">What not to cut.</param>
/// <param name="SafetyHeading">Heading of the safety line.</param>
/// <param name="Safety">The safety line.</param>
/// <param name="Basis">What the numbers rest on.</param>
/// <param name="DrawingCaption">Caption of the drawing.</param>
/// <param name="MeasuresHeading">Heading of the lengths.</param>
/// <param name="Measures">Lengths the cuts go by; null, as the drawing is, on a card handed out before they were kept.</param>
/// <param name="Drawing">The drawing.</param>
/// <param name="Version">Version of the prescription, once handed out.</param>
public sealed record PruningCard(
    string Language,
    DecisionKind Kind,
    string Block,
    string About,
    string Headline,
    string PerLimb,
    IReadOnlyList<CardNumber> Numbers,
    string PerTree,
    string CutsHeading,
    IReadOnlyList<CardCut> Cuts,
    string IdleHeading,
    string ClassesHeading,
    string ClassLeave,
    IReadOnlyList<CardClass> Classes,
    string GaugeHeading,
    IReadOnlyList<CardGaugeMark> Gauge,
    string Stop,
    string Look,
    IReadOnlyList<string> Notes,
    string KeepHeading,
    IReadOnlyList<string> Keep,
    string SafetyHeading,
    string Safety,
    string Basis,
    string DrawingCaption,
    string MeasuresHeading = "",
    IReadOnlyList<CardMeasure>? Measures = null,
    CardDrawing? Drawing = null,
    int? Version = null)
{
    /// <summary>Writes the card of a plan; null before there is a prescription.</summary>
    /// <param name="reading">What was typed.</param>
    /// <param name="plan">What follows.</param>
    /// <param name="language">A code of <see cref="LocalText.Languages"/>.</param>
    /// <param name="marks">The crew's own measures.</param>
    public static PruningCard? Of(PlanReading reading, PruningPlan plan, string language, BodyMarks? marks = null)
    {
        if (plan is not { Planting: { } planting, Prescription: { } prescription, Decision: { } decision, Survey: { } survey, Crop: { } crop }
            || new BenchChoice().Put(reading, plan) is not ({ } bench, _))
            return null;

        var words = new CardWords(language, Catalogue.Shipped.Crop(planting.Variety.Crop));
        var toLeave = Math.Round(prescription.BudsLeft);
        string Kinded(string reduce, string structure, string noPrune, params object[] numbers) => words.Say(
            decision.Kind switch { DecisionKind.Reduce => reduce, DecisionKind.StructureOnly => structure, _ => noPrune }, numbers);

        List<string> notes = [];
        if (!decision.Settled) notes.Add(words.Say("not-settled"));
        if (prescription.ClustersToThinning >= 0.5) notes.Add(words.Say("thinning", Math.Round(prescription.ClustersToThinning)));
        notes.Add(words.Say("check"));
        return new(
            language, decision.Kind, $"{planting.Code} {planting.Name}",
            string.Join(" · ",
                $"{planting.Variety.Name} / {planting.Rootstock.Name}", words.Say(planting.System.Name),
                words.Say("leaf", planting.Leaf), words.Say("harvest", reading.Year), words.Say("minutes", prescription.MinutesPerTree)),
            Kinded("leave", "leave-structure", "leave-no-prune", toLeave),
            words.Say("per-limb", Math.Round(toLeave / prescription.LimbsLeft), Math.Round(prescription.LimbsLeft)),
            [
                new(words.Number(Math.Round(decision.Standing.Mean)), words.Say("standing")),
                new(words.Number(toLeave), words.Say("left")),
                new(words.Number(Math.Round(crop.FruitPerTree)), words.Say("fruit")),
            ],
            words.Say("per-tree"), words.Say("cuts-heading"),
            [.. prescription.Cuts.Select(c => CutOf(words, c))],
            words.Say("idle-heading"), words.Say("classes-heading"), words.Say("class-leave"), ClassesOf(words, prescription), words.Say("gauge-heading"), GaugeOf(words, planting.System, prescription, decision),
            Kinded("stop-reduce", "stop-structure", "stop-no-prune", decision.Kind == DecisionKind.Reduce ? toLeave : Math.Round(decision.RemoveBuds)),
            Kinded("look-reduce", "look-structure", "look-no-prune"),
            notes, words.Say("keep-heading"), [.. planting.System.KeepOff.Select(words.Say)],
            words.Say("safety-heading"), words.Say("safety"),
            survey.Buds.HalfWidth is { } half
                ? words.Say("count-basis", survey.Buds.Count, Math.Round(survey.Buds.Mean), Math.Round(half))
                : words.Say("count-basis-one", Math.Round(survey.Buds.Mean)),
            words.Say("drawing"), words.Say("measures-heading"), MeasuresOf(words, bench, prescription, marks ?? BodyMarks.None), CardDrawing.Of(bench, prescription));
    }

    private static List<CardClass> ClassesOf(CardWords words, Prescription prescription)
    {
        if (prescription.Classes.Count < 2) return [];
        // Crews tell a trunk by its girth with a tape and by its diameter with a caliper.
        double Mm(double girthCm) => Math.Round(girthCm * 10 / Math.PI);
        return
        [
            .. prescription.Classes.Select(c => new CardClass(
                words.Named($"class-{c.Class.Name}", c.Class.Name),
                (c.Class.FromGirthCm, c.Class.ToGirthCm) switch
                {
                    (null, { } to) => words.Say("trunk-under", Mm(to), to),
                    ({ } from, null) => words.Say("trunk-from", Mm(from), from),
                    ({ } from, { } to) => words.Say("trunk-between", Mm(from), Mm(to), from, to),
                    _ => "",
                },
                words.Number(Math.Round(c.BudsLeft)),
                [.. prescription.Cuts.Select(x => c.Cuts.FirstOrDefault(k => k.StepId == x.StepId) is { CutsPerTree: >= 0.5 } cut && !x.AsFound ? words.Number(Math.Round(cut.CutsPerTree)) : "")])),
        ];
    }

    private static List<CardGaugeMark> GaugeOf(CardWords words, TrainingSystem system, Prescription prescription, PruningDecision decision)
    {
        if (decision.Kind == DecisionKind.NoPrune) return [];
        var lcsa = prescription.Classes.Sum(c => c.Class.Share * c.LcsaLeftCm2);
        if (lcsa <= 0) return [];
        var big = prescription.InForce.GetValueOrDefault("big-from", double.PositiveInfinity);
        // Marks reach as far as limbs of the system do.
        var scale = Math.Max(1, Math.Round(system.Form.Typical.LimbMm / 13));
        return [
            .. GaugeMarks.Of(prescription.BudsLeft, lcsa, big, [.. GaugeMarks.Usual.Select(mm => mm * scale)]).Marks
                .Select(m => new CardGaugeMark($"{words.Number(m.DiameterMm)} mm", m.Buds is { } buds ? words.Number(Math.Round(buds)) : words.Say("take-out"))),
        ];
    }

    // Height first; then the lengths the cuts made this winter speak of.
    private static List<CardMeasure> MeasuresOf(CardWords words, TreeBench bench, Prescription prescription, BodyMarks marks)
    {
        CardMeasure Told(string name, double value, string unit)
        {
            var mark = marks.Tell(value * Units.Length[unit].Factor);
            return new(name, $"{words.Number(value)} {unit}", mark is null ? "" : words.Say(mark.Times == 1 ? $"body-{mark.Part}" : $"body-{mark.Part}s", mark.Times));
        }
        List<CardMeasure> measures = bench.HeightLimitM is { } height ? [Told(words.Say("height-after"), height, "m")] : [];
        var system = bench.Rules.System;
        var made = system.Steps.Where(s => s.Cut.Kind != CutKind.ToSideShoot && prescription.Cuts.Any(c => c.StepId == s.Id && c.IsMade)).ToList();
        measures.AddRange(system.Settings.Where(s => s.IsLength && made.Any(m => system.Names(m, s.Id)))
            .Select(s => Told(words.Say(s.Name), prescription.InForce[s.Id], s.Unit)));
        return measures;
    }

    private static CardCut CutOf(CardWords words, PrescribedCut cut) => new(
        cut.Number, cut.StepId, cut.IsMade, words.Say(cut.Name), HowMany(words, cut),
        // Where single buds are told for the tree, what falls is the same number again.
        cut.Drop >= 0.5 && !(cut.SingleBuds && cut.CutsPerLimb is null) ? words.Say("falls", Math.Round(cut.Drop)) : "",
        words.Say(cut.LookFor), words.Say(cut.How), cut.Caution is { } caution ? words.Say(caution) : null);

    private static string HowMany(CardWords words, PrescribedCut cut) => cut switch
    {
        { AsFound: true } => words.Say("as-found"),
        { IsMade: false } => words.Say("none-needed"),
        { CutsPerLimb: { } perLimb } => PerLimbPhrase(words, perLimb),
        { SingleBuds: true } => words.Say("on-the-tree", Math.Round(cut.CutsPerTree)),
        _ => words.Say("up-to", Math.Max(1, Math.Round(cut.CutsPerTree))),
    };

    // A pruner cannot rub 1.3 buds a limb: "1 or 2".
    private static string PerLimbPhrase(CardWords words, double perLimb) =>
        Math.Abs(perLimb - Math.Round(perLimb)) <= 0.15
            ? words.Say("a-limb", Math.Round(perLimb))
            : words.Say("one-or-more", Math.Floor(perLimb), Math.Ceiling(perLimb));
}
