using Rama.Core.Decide;
using Rama.Core.Estate;
using Rama.Core.Explain;
using Rama.Core.Prescribe.Bench;
using Rama.Core.Quantities;
using Rama.Core.Systems;
using Rama.Core.Target.Sharing;

namespace Rama.Core.Prescribe;

/// <summary>Writes the card of one planting in one language; every number on it is one of the prescription's.</summary>
internal sealed class CardWriter
{
    // How much of the buds may go before a tree looks lighter, and before it looks bare: assumption.
    private const double LooksLighter = 0.2, LooksBare = 0.35;

    // Fewer clusters are not worth a sentence.
    private const double WorthTelling = 0.5;

    // A round number a limb times the limbs must come so near to the tree's number, as a share of it.
    private const double NearProduct = 0.03;

    private readonly PlanReading _reading;
    private readonly Planting _planting;
    private readonly PruningPlan _plan;
    private readonly Prescription _prescription;
    private readonly PruningDecision _decision;
    private readonly TreeBench _bench;
    private readonly CardWords _words;
    private readonly BodyMarks _marks;
    private readonly UnitSystem _units;

    private CardWriter(PlanReading reading, PruningPlan plan, TreeBench bench, string language, BodyMarks marks, UnitSystem units)
    {
        _units = units;
        (_reading, _plan, _bench, _marks) = (reading, plan, bench, marks);
        (_planting, _prescription, _decision) = (plan.Planting!, plan.Prescription!, plan.Decision!);
        _words = new(language, Catalogue.Shipped.Crop(_planting.Variety.Crop));
    }

    private bool IsByTrunk => _prescription.Classes.Count > 1;

    /// <summary>Makes ready to write; null before there is a prescription.</summary>
    public static CardWriter? Of(PlanReading reading, PruningPlan plan, string language, BodyMarks marks, UnitSystem units) =>
        plan is { Planting: not null, Prescription: not null, Decision: not null, Survey: not null, Crop: not null } && new BenchChoice().Put(reading, plan) is ({ } bench, _)
            ? new(reading, plan, bench, language, marks, units) : null;

    /// <summary>Writes the card.</summary>
    public PruningCard Write() => new(
        _words.Language, _decision.Kind, $"{_planting.Code} {_planting.Name}",
        string.Join(" · ",
            $"{_planting.Variety.Name} / {_planting.Rootstock.Name}", _words.Say(_planting.System.Name),
            _words.Say("leaf", _words.Ordinal(_planting.Leaf)), _words.Say("harvest", _reading.Year), _words.Say("minutes", _prescription.MinutesPerTree)),
        Headline(), PerLimb(),
        [
            new(_words.Number(Math.Round(_decision.Standing.Mean)), _words.Say("standing")),
            new(_words.Number(Math.Round(_prescription.BudsLeft)), _words.Say(IsLight ? "left-light" : "left")),
            new(_words.Number(Math.Round(_plan.Crop!.FruitPerTree)), _words.Say("fruit")),
        ],
        _words.Say(IsByTrunk ? "per-mean-tree" : "per-tree"), _words.Say("cuts-heading"), [.. _prescription.Cuts.Select(CutOf)],
        _words.Say("idle-heading"), _words.Say("classes-heading"), _words.Say("class-leave"), Classes(), _words.Say("gauge-heading"), Gauge(),
        Stop(), Look(), Notes(), _words.Say("keep-heading"), [.. _planting.System.KeepOff.Select(_words.Say)],
        _words.Say("safety-heading"), _words.Say("safety"),
        _plan.Survey!.Buds.HalfWidth is { } half
            ? _words.Say("count-basis", _plan.Survey.Buds.Count, Math.Round(_plan.Survey.Buds.Mean), Math.Round(half))
            : _words.Say("count-basis-one", Math.Round(_plan.Survey.Buds.Mean)),
        _words.Say("drawing"), _words.Say("measures-heading"), Measures(), CardDrawing.Of(_bench, _prescription), null,
        _words.Say("per-limb-heading"), IsByTrunk ? [.. Numbered.Select(NameOf)] : [], Numbered.Count > 0 && BigFromMm is { } big ? _words.Say("gauge-note", Length(big / 1_000, "mm")) : "", _units);

    private bool IsLight => _decision.Kind == DecisionKind.Reduce && _prescription.IsLight;

    /// <summary>Classes whose trees are brought to a number.</summary>
    private List<ClassPrescription> Numbered => [.. _prescription.Classes.Where(c => c.StopAt is not null)];

    private double BigFromMm => _bench.Rules.BigFromMm(_bench.Rules.Values(_prescription.InForce));

    private string NameOf(ClassPrescription of) => _words.Named($"class-{of.Class.Name}", of.Class.Name);

    private string Span(double least, double most) => Math.Round(least) == Math.Round(most) ? _words.Number(Math.Round(most)) : $"{_words.Number(Math.Round(least))}–{_words.Number(Math.Round(most))}";

    private string Headline()
    {
        var left = Span(_prescription.Classes.Min(c => c.BudsLeft), _prescription.Classes.Max(c => c.BudsLeft));
        return _decision.Kind switch
        {
            DecisionKind.Reduce when IsLight => _words.Say("leave-light"),
            DecisionKind.Reduce => _words.Say(IsByTrunk ? "leave-by-trunk" : "leave", left),
            DecisionKind.StructureOnly => _words.Say("leave-structure", left),
            _ => _words.Say("leave-no-prune"),
        };
    }

    private string PerLimb()
    {
        if (Numbered.Count == 0) return "";
        var limbs = Math.Round(_prescription.LimbsLeft);
        if (!IsByTrunk) return _words.Say("per-limb", OnALimb(_prescription.BudsLeft, _prescription.LimbsLeft), limbs);
        return _words.Say("per-limb", Span(_prescription.Classes.Min(c => c.BudsPerLimb), _prescription.Classes.Max(c => c.BudsPerLimb)), limbs);
    }

    // “6 on a limb, 24 limbs” is no help where 131 are wanted: then the two numbers beside it.
    private string OnALimb(double buds, double limbs)
    {
        var each = Math.Round(buds / limbs);
        return Math.Abs(each * Math.Round(limbs) - buds) <= NearProduct * buds ? _words.Number(each)
            : $"{_words.Number(Math.Floor(buds / limbs))}–{_words.Number(Math.Ceiling(buds / limbs))}";
    }

    // One sentence for each way to stop, with the number of every class that stops so.
    private string Stop()
    {
        string Numbers(IEnumerable<(ClassPrescription Class, double Number)> of) =>
            string.Join(", ", of.Select(c => IsByTrunk ? $"{_words.Number(Math.Round(c.Number))} ({NameOf(c.Class)})" : _words.Number(Math.Round(c.Number))));
        List<string> said = [];
        if (Numbered.Count > 0) said.Add(_words.Say("stop-reduce", Numbers(Numbered.Select(c => (c, c.StopAt!.Value)))));
        if (_prescription.Classes.Where(c => c.AtMostDown is not null).ToList() is { Count: > 0 } shaped)
            said.Add(_words.Say("stop-structure", Numbers(shaped.Select(c => (c, c.AtMostDown!.Value)))));
        if (_prescription.Classes.Any(c => c.Decision.Kind == DecisionKind.Reduce && c.StopAt is null)) said.Add(_words.Say("stop-light"));
        if (_prescription.Classes.Where(c => c.Decision.Kind == DecisionKind.NoPrune).ToList() is { Count: > 0 } uncut)
            said.Add(said.Count == 0 ? _words.Say("stop-no-prune") : _words.Say("stop-no-prune-class", string.Join(", ", uncut.Select(NameOf))));
        return string.Join(" ", said);
    }

    // How the right result looks goes by how much of the buds is gone.
    private string Look()
    {
        var gone = _decision.Standing.Mean > 0 ? 1 - _prescription.BudsLeft / _decision.Standing.Mean : 0;
        return _words.Say(_decision.Kind switch
        {
            DecisionKind.NoPrune => "look-no-prune",
            DecisionKind.StructureOnly => "look-structure",
            _ => gone < LooksLighter ? "look-reduce-little" : gone < LooksBare ? "look-reduce-some" : "look-reduce",
        });
    }

    private List<string> Notes()
    {
        List<string> notes = [];
        if (!_decision.Settled && _decision.Held is null) notes.Add(_words.Say("not-settled"));
        if (_prescription.ClustersToThinning >= WorthTelling) notes.Add(_words.Say("thinning", Math.Round(_prescription.ClustersToThinning)));
        var thick = _prescription.Classes.Sum(c => c.Class.Share * c.ThickLeft);
        // As many as a winter takes: the rest waits its turn.
        if (Math.Min(thick, _planting.System.Caps.BigCuts) is >= WorthTelling and var next) notes.Add(_words.Say("first-next-winter", Math.Ceiling(next - WorthTelling)));
        notes.Add(_words.Say("check"));
        return notes;
    }

    private List<CardClass> Classes() => !IsByTrunk ? [] :
    [
        .. _prescription.Classes.Select(c => new CardClass(
            NameOf(c), TrunkOf(c.Class), LeaveOf(c), [.. _prescription.Cuts.Select(x => c.Cuts.FirstOrDefault(k => k.StepId == x.StepId) is { } cut ? Cell(x, cut) : "")],
            c.StopAt is { } stop ? OnALimb(stop, c.LimbsLeft) : "")),
    ];

    private string Length(double metres, string unit) => LengthTold.In(metres, unit, _units, _words.Language);

    // Crews tell a trunk by its girth with a tape and by its diameter with a caliper.
    private string TrunkOf(TrunkClass of)
    {
        string Across(double girthCm) => Length(girthCm / Math.PI / 100, "mm");
        string Around(double girthCm) => Length(girthCm / 100, "cm");
        return (of.FromGirthCm, of.ToGirthCm) switch
        {
            (null, { } to) => _words.Say("trunk-under", Across(to), Around(to)),
            ({ } from, null) => _words.Say("trunk-from", Across(from), Around(from)),
            ({ } from, { } to) => _words.Say("trunk-between", Across(from), Across(to), Around(from), Around(to)),
            _ => "",
        };
    }

    private string LeaveOf(ClassPrescription of) => of switch
    {
        { StopAt: { } stop } => _words.Number(Math.Round(stop)),
        { AtMostDown: { } down } => _words.Say("class-all-but", Math.Round(down)),
        { Decision.Kind: DecisionKind.NoPrune } => _words.Say("class-all"),
        _ => "",
    };

    private string Cell(PrescribedCut of, ClassCut cut) =>
        of.Amount.Kind == AmountKind.EveryOne || !cut.IsMade ? ""
        : of.SingleBuds && cut.CutsPerTree < CutAmount.AFew ? "✓"
        : cut.Most is { } most ? _words.Number(most)
        : cut.CutsPerTree >= 0.5 && of.Amount.Kind != AmountKind.IfAbove ? $"~{_words.Number(Math.Round(cut.CutsPerTree))}" : "✓";

    private List<CardGaugeMark> Gauge()
    {
        if (Numbered.Count == 0 || Numbered.Any(c => c.BudsPerCm2 is null)) return [];
        // Marks reach as far as limbs of the system do.
        var scale = Math.Max(1, Math.Round(_planting.System.Form.Typical.LimbMm / 13));
        string Told(ClassPrescription of, double mm) =>
            new LimbGauge(of.BudsPerCm2!.Value).BudsOn(mm, BigFromMm) is { } buds ? _words.Number(Math.Round(buds)) : _words.Say("take-out");
        return [
            .. (_units == UnitSystem.Us ? GaugeMarks.UsualUs : GaugeMarks.Usual).Select(mm => mm * scale).Select(mm => new CardGaugeMark(
                Length(mm / 1_000, "mm"), IsByTrunk ? "" : Told(Numbered[0], mm), IsByTrunk ? [.. Numbered.Select(c => Told(c, mm))] : null)),
        ];
    }

    // Height first; then the lengths the cuts made this winter speak of.
    private List<CardMeasure> Measures()
    {
        CardMeasure Told(string name, double value, string unit)
        {
            var mark = _marks.Tell(value * Units.Length[unit].Factor);
            return new(name, Length(value * Units.Length[unit].Factor, unit), mark is null ? "" : _words.Say(mark.Times == 1 ? $"body-{mark.Part}" : $"body-{mark.Part}s", mark.Times));
        }
        List<CardMeasure> measures = _bench.HeightLimitM is { } height ? [Told(_words.Say("height-after"), height, "m")] : [];
        var system = _bench.Rules.System;
        var made = system.Steps.Where(s => s.Cut.Kind != CutKind.ToSideShoot && _prescription.Cuts.Any(c => c.StepId == s.Id && c.IsMade)).ToList();
        measures.AddRange(system.Settings.Where(s => s.IsLength && made.Any(m => system.Names(m, s.Id)))
            .Select(s => Told(_words.Say(s.Name), _prescription.InForce[s.Id], s.Unit)));
        return measures;
    }

    private CardCut CutOf(PrescribedCut cut) => new(
        cut.Number, cut.StepId, cut.IsMade, _words.Say(cut.Name), HowMany(cut),
        // Where single buds are told for the tree, what falls is the same number again.
        cut is { IsMade: true, Drop: >= 0.5 } && cut.Amount.Kind is not (AmountKind.OnTheTree or AmountKind.ToTheNumber) ? _words.Say("falls", Math.Round(cut.Drop)) : "",
        _words.Say(cut.LookFor), _words.Say(cut.How), cut.Caution is { } caution ? _words.Say(caution) : null);

    private string HowMany(PrescribedCut cut)
    {
        var (least, most) = (cut.Amount.Least, cut.Amount.Most);
        return cut.Amount.Kind switch
        {
            AmountKind.None => _words.Say("none-needed"),
            AmountKind.EveryOne => _words.Say("every-one"),
            AmountKind.OnSomeTrees => _words.Say("on-some-trees"),
            AmountKind.AsFound => _words.Say("as-found", Span(least, most)),
            AmountKind.UpTo => _words.Say(least == most ? "up-to" : "up-to-by-trunk", Span(least, most)),
            AmountKind.IfAbove => _words.Say("if-above", Length(most, "m")),
            AmountKind.ToTheNumber => _words.Say("to-the-number"),
            AmountKind.ALimb => _words.Say("a-limb", Span(least, most)),
            _ => _words.Say(least == most ? "on-the-tree" : "on-the-tree-by-trunk", Span(least, most)),
        };
    }
}
