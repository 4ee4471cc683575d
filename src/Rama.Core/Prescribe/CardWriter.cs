using Rama.Core.Decide;
using Rama.Core.Estate;
using Rama.Core.Explain;
using Rama.Core.Passes;
using Rama.Core.Prescribe.Bench;
using Rama.Core.Prescribe.Working;
using Rama.Core.Quantities;
using Rama.Core.Systems;
using Rama.Core.Target.Sharing;

namespace Rama.Core.Prescribe;

/// <summary>Writes the card of one planting in one language; every number on it is one of the prescription's.</summary>
internal sealed class CardWriter
{
    // How much of the buds may go before a tree looks lighter, and before it looks bare: assumption.
    private const double LooksLighter = 0.2,
        LooksBare = 0.35;

    // In a table: the cut is made, and the tree tells how often.
    private const string Made = "✓";

    // A round number a limb times the limbs must come so near to the tree's number, as a share of it.
    private const double NearProduct = 0.03;

    // The longest girth a tape has a number for, and the black end beyond it, mm.
    private const double LongestTapeMm = 155,
        OutMm = 20;

    private readonly PrescribedPlanting _of;
    private readonly Planting _planting;
    private readonly Prescription _prescription;
    private readonly IReadOnlyList<PrescribedCut> _cuts;
    private readonly string? _pass;
    private readonly double _knockedOff;
    private readonly PruningDecision _decision;
    private readonly TreeBench _bench;
    private readonly CardWords _words;
    private readonly BodyMarks _marks;
    private readonly UnitSystem _units;

    /// <summary>Makes ready to write.</summary>
    /// <param name="of">What is to be cut.</param>
    /// <param name="reader">Who it is written for.</param>
    public CardWriter(PrescribedPlanting of, CardReader reader)
    {
        (_of, _marks, _units) = (of, reader.Marks ?? BodyMarks.None, reader.Units);
        _knockedOff = reader.KnockedOff;
        (_planting, _prescription, _decision) = (of.Planting, of.Prescription, of.Decision);
        (_bench, _) = new BenchChoice().Put(of);
        _pass =
            PassIds.OfSteps.Contains(reader.Pass) && _planting.System.InTwoPasses(_prescription.Answers)
                ? reader.Pass
                : null;
        _cuts = _pass is null
            ? _prescription.Cuts
            :
            [
                .. from cut in _prescription.Cuts
                join step in _planting.System.StepsByPass(_prescription.Answers) on cut.StepId equals step.Step.Id
                where step.Pass == _pass
                select cut,
            ];
        _words = new(reader.Language, Catalogue.Shipped.Crop(_planting.Variety.Crop));
    }

    private bool IsByTrunk => _prescription.Classes.Count > 1;

    /// <summary>Writes the card.</summary>
    public PruningCard Write() =>
        new(
            Language: _words.Language,
            Kind: _decision.Kind,
            Block: _planting.Title,
            About: About(),
            Headline: Headline(),
            PerLimb: PerLimb(),
            Numbers:
            [
                new(_words.Number(_decision.Standing.Mean.Whole()), _words.Say("standing")),
                new(_words.Number(_prescription.BudsLeft.Whole()), _words.Say(IsLight ? "left-light" : "left")),
                new(_words.Number(_of.FruitPerTree.Whole()), _words.Say("fruit")),
            ],
            PerTree: _words.Say(IsByTrunk ? "per-mean-tree" : "per-tree"),
            CutsHeading: _words.Say("cuts-heading"),
            Cuts: [.. _cuts.Select(CutOf)],
            IdleHeading: _words.Say("idle-heading"),
            ClassesHeading: _words.Say("classes-heading"),
            ClassLeave: _words.Say("class-leave"),
            Classes: Classes(),
            GaugeHeading: _words.Say("gauge-heading"),
            Gauge: Gauge(),
            Stop: Stop(),
            Look: Look(),
            Notes: Notes(),
            KeepHeading: _words.Say("keep-heading"),
            Keep: [.. _planting.System.KeepOff.Select(_words.Say)],
            SafetyHeading: _words.Say("safety-heading"),
            Safety: _words.Say("safety"),
            Basis: Basis(),
            DrawingCaption: _words.Say("drawing"),
            MeasuresHeading: _words.Say("measures-heading"),
            Measures: Measures(),
            Drawing: Drawing(),
            PerLimbHeading: _words.Say("per-limb-heading"),
            GaugeClasses: IsByTrunk ? [.. Numbered.Select(NameOf)] : [],
            GaugeNote: GaugeNote(),
            Units: _units,
            Way: _prescription.Way,
            Tape: Tape()
        );

    /// <summary>The cuts of the pass alone, for a card without numbers.</summary>
    internal IReadOnlyList<CardCut> Cuts() => [.. _cuts.Where(c => c.IsMade).Select(CutOf)];

    /// <summary>The typical tree with them.</summary>
    internal CardDrawing Drawing() =>
        CardDrawing.Of(_bench, _cuts.Where(c => c.IsMade).ToDictionary(c => c.StepId, c => c.Number));

    private bool IsLight => _decision.Kind == DecisionKind.Reduce && _prescription.IsLight;

    /// <summary>Classes whose trees are brought to a number.</summary>
    private List<ClassPrescription> Numbered => [.. _prescription.Classes.Where(c => c.StopAt is not null)];

    private bool ReadsLimbs => _prescription.Way?.ReadsLimbs() == true;

    private double BigFromMm => _bench.Rules.BigFromMm(_bench.Rules.Values(_prescription.InForce));

    private string NameOf(ClassPrescription of) => _words.Named($"class-{of.Class.Name}", of.Class.Name);

    private string Span(double least, double most) =>
        least.Whole() == most.Whole()
            ? _words.Number(most.Whole())
            : $"{_words.Number(least.Whole())}–{_words.Number(most.Whole())}";

    private string About() =>
        string.Join(
            " · ",
            $"{_planting.Variety.Name} / {_planting.Rootstock.Name}",
            _words.Say(_planting.System.Name),
            _words.Say("leaf", _words.Ordinal(_planting.Leaf)),
            _words.Say("harvest", _of.Year),
            _words.Say("minutes", _prescription.MinutesPerTree)
        );

    private string Basis()
    {
        var buds = _of.Survey.Buds;
        return buds.HalfWidth is { } half
            ? _words.Say("count-basis", buds.Count, buds.Mean.Whole(), half.Whole())
            : _words.Say("count-basis-one", buds.Mean.Whole());
    }

    /// <summary>What to leave, in a sentence.</summary>
    internal string Headline()
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
        if (Numbered.Count == 0)
            return "";
        var limbs = _prescription.LimbsLeft.Whole();
        if (!IsByTrunk)
            return _words.Say("per-limb", OnALimb(_prescription.BudsLeft, _prescription.LimbsLeft), limbs);
        return _words.Say(
            "per-limb",
            Span(_prescription.Classes.Min(c => c.BudsPerLimb), _prescription.Classes.Max(c => c.BudsPerLimb)),
            limbs
        );
    }

    // “6 on a limb, 24 limbs” is no help where 131 are wanted: then the two numbers beside it.
    private string OnALimb(double buds, double limbs)
    {
        var each = (buds / limbs).Whole();
        return Math.Abs(each * limbs.Whole() - buds) <= NearProduct * buds
            ? _words.Number(each)
            : $"{_words.Number(Math.Floor(buds / limbs))}–{_words.Number(Math.Ceiling(buds / limbs))}";
    }

    /// <summary>When to stop: a sentence for each way, with the number of every class that stops so.</summary>
    internal string Stop()
    {
        string Listed(IEnumerable<ClassPrescription> of, Func<ClassPrescription, double?> number) =>
            string.Join(
                ", ",
                of.Select(c => _words.Number(number(c)!.Value.Whole()) + (IsByTrunk ? $" ({NameOf(c)})" : ""))
            );
        var said =
            from stopping in _prescription.Classes.GroupBy(c => c.Stop).OrderBy(g => g.Key)
            select stopping.Key switch
            {
                ClassStop.Number => _words.Say(
                    ReadsLimbs ? "stop-limbs" : "stop-amounts",
                    Listed(stopping, c => c.StopAt)
                ),
                ClassStop.Ground => _words.Say("stop-structure", Listed(stopping, c => c.AtMostDown)),
                ClassStop.CutsMade => _words.Say("stop-light"),
                _ when stopping.Count() == _prescription.Classes.Count => _words.Say("stop-no-prune"),
                _ => _words.Say("stop-no-prune-class", string.Join(", ", stopping.Select(NameOf))),
            };
        return string.Join(" ", said);
    }

    // How the right result looks goes by how much of the buds is gone.
    private string Look()
    {
        var gone = _decision.Standing.Mean > 0 ? 1 - _prescription.BudsLeft / _decision.Standing.Mean : 0;
        return _words.Say(
            _decision.Kind switch
            {
                DecisionKind.NoPrune => "look-no-prune",
                DecisionKind.StructureOnly => "look-structure",
                _ => gone < LooksLighter ? "look-reduce-little"
                : gone < LooksBare ? "look-reduce-some"
                : "look-reduce",
            }
        );
    }

    private List<string> Notes()
    {
        List<string> notes = _pass is null ? [] : [_words.Say("pass-detail")];
        if (_knockedOff > 0 && Numbered.Count > 0)
            notes.Add(_words.Say("late", (_knockedOff * 100).Whole(), ((1 / (1 - _knockedOff) - 1) * 100).Whole()));
        if (!_decision.Settled && _decision.Held is null)
            notes.Add(_words.Say("not-settled"));
        if (_prescription.ClustersToThinning >= Prescription.WorthTelling)
            notes.Add(_words.Say("thinning", _prescription.ClustersToThinning.Whole()));
        if (_prescription.FirstNextWinter(_planting.System.Caps) is > 0 and var next)
            notes.Add(_words.Say("first-next-winter", next));
        if (_prescription.Way == WayOfWorking.Count)
            notes.Add(
                _words.Say("correct-by-count", (_decision.Tolerance * 100).Whole(), new CrewSkill().CountedEvery)
            );
        else
            notes.Add(_words.Say("check"));
        return notes;
    }

    private List<CardClass> Classes() =>
        !IsByTrunk
            ? []
            :
            [
                .. _prescription.Classes.Select(c => new CardClass(
                    NameOf(c),
                    TrunkOf(c.Class),
                    LeaveOf(c),
                    [.. _cuts.Select(x => Cell(x, c))],
                    c.StopAt is { } stop ? OnALimb(stop, c.LimbsLeft) : ""
                )),
            ];

    private string Length(double metres, string unit) => LengthTold.In(metres, unit, _units, _words.Language);

    // Crews tell a trunk by its girth with a tape and by its diameter with a caliper.
    /// <summary>Its trunk classes by name and size, as far as a tape tells them apart.</summary>
    internal IReadOnlyList<string> Trunks() =>
        [
            .. _prescription.Classes.Select(c =>
                CardWords.Capital(NameOf(c)) + (TrunkOf(c.Class) is { Length: > 0 } size ? $", {size}" : "")
            ),
        ];

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

    private string LeaveOf(ClassPrescription of) =>
        of switch
        {
            { StopAt: { } stop } => _words.Number(stop.Whole()),
            { AtMostDown: { } down } => _words.Say("class-all-but", down.Whole()),
            { Decision.Kind: DecisionKind.NoPrune } => _words.Say("class-all"),
            _ => "",
        };

    private string Cell(PrescribedCut cut, ClassPrescription of)
    {
        if (of.Of(cut) is not { } mine)
            return "";
        return cut.Amount.Kind switch
        {
            AmountKind.EveryOne => "",
            AmountKind.ToTheGauge => Made,
            _ when cut.SingleBuds && mine.CutsPerTree < CutAmount.AFew => Made,
            _ when mine.Most is { } most => _words.Number(most),
            AmountKind.IfAbove => Made,
            _ => mine.CutsPerTree >= Prescription.WorthTelling ? $"~{_words.Number(mine.CutsPerTree.Whole())}" : Made,
        };
    }

    private List<CardGaugeMark> Gauge()
    {
        if (!ReadsLimbs || Numbered.Any(c => c.BudsPerCm2 is null))
            return [];
        var scale = GaugeScale;
        string Told(ClassPrescription of, double mm) =>
            new LimbGauge(of.BudsPerCm2!.Value).BudsOn(mm, BigFromMm) is { } buds
                ? _words.Number(buds.Whole())
                : _words.Say("take-out");
        var marks = _units == UnitSystem.Us ? GaugeMarks.UsualUs : GaugeMarks.Usual;
        return
        [
            .. marks
                .Select(mm => mm * scale)
                .Select(mm =>
                    IsByTrunk
                        ? new CardGaugeMark(Length(mm / 1_000, "mm"), "", [.. Numbered.Select(c => Told(c, mm))])
                        : new CardGaugeMark(Length(mm / 1_000, "mm"), Told(Numbered[0], mm))
                ),
        ];
    }

    // Marks reach as far as limbs of the system do.
    private double GaugeScale => Math.Max(1, (_planting.System.Form.Typical.LimbMm / 13).Whole());

    // Where no thickness takes a limb out, or the strip would not lie on the paper, the table does it.
    private CardTape? Tape()
    {
        var fromMm = GaugeMarks.Usual[0] * GaugeScale;
        if (
            !ReadsLimbs
            || Numbered.Any(c => c.BudsPerCm2 is null)
            || BigFromMm <= fromMm
            || BigFromMm > LongestTapeMm / Math.PI
        )
            return null;
        var inUs = _units == UnitSystem.Us;
        CardTapeStrip Strip(ClassPrescription of)
        {
            var tape = BudTape.Of(new(of.BudsPerCm2!.Value), fromMm, BigFromMm);
            return new(
                IsByTrunk ? $"{_planting.Code} · {NameOf(of)}" : _planting.Code,
                TrunkOf(of.Class),
                [.. tape.Cells.Select(c => new CardTapeCell(c.FromMm, c.ToMm, _words.Number(c.Buds)))],
                tape.OutFromMm + OutMm
            );
        }
        return new(
            _words.Say("tape-heading"),
            [_words.Say("tape-how", inUs ? "1 in" : "2–3 cm"), _words.Say("tape-lack"), _words.Say("tape-wet")],
            _words.Say("take-out"),
            inUs ? 50.8 : 50,
            _words.Say("tape-check", inUs ? "2 in" : "5 cm"),
            [.. Numbered.Select(Strip)]
        );
    }

    private string GaugeNote() =>
        !ReadsLimbs || double.IsInfinity(BigFromMm) ? "" : _words.Say("gauge-note", Length(BigFromMm / 1_000, "mm"));

    // Height first; then the lengths the cuts made this winter speak of.
    private List<CardMeasure> Measures()
    {
        CardMeasure Told(string name, double value, string unit)
        {
            var mark = _marks.Tell(value * Units.Length[unit].Factor);
            var body = mark is null
                ? ""
                : _words.Say(mark.Times == 1 ? $"body-{mark.Part}" : $"body-{mark.Part}s", mark.Times);
            return new(name, Length(value * Units.Length[unit].Factor, unit), body);
        }
        List<CardMeasure> measures = _bench.HeightLimitM is { } height
            ? [Told(_words.Say("height-after"), height, "m")]
            : [];
        var system = _bench.Rules.System;
        var made = system
            .Steps.Where(s => s.Cut.Kind != CutKind.ToSideShoot && _cuts.Any(c => c.StepId == s.Id && c.IsMade))
            .ToList();
        measures.AddRange(
            system
                .Settings.Where(s => s.IsLength && made.Any(m => system.Names(m, s.Id)))
                .Select(s => Told(_words.Say(s.Name), _prescription.InForce[s.Id], s.Unit))
        );
        return measures;
    }

    private CardCut CutOf(PrescribedCut cut) =>
        new(
            cut.Number,
            cut.StepId,
            cut.IsMade,
            _words.Say(cut.Name),
            HowMany(cut),
            cut.IsMade && cut.Drop >= Prescription.WorthTelling && !IsToldAsDrop(cut)
                ? _words.Say("falls", cut.Drop.Whole())
                : "",
            _words.Say(cut.LookFor),
            _words.Say(cut.How),
            cut.Caution is { } caution ? _words.Say(caution) : null
        );

    // Where single buds are told for the tree, what falls is the same number again.
    private static bool IsToldAsDrop(PrescribedCut cut) =>
        cut.Amount.Kind is AmountKind.OnTheTree or AmountKind.ToTheNumber;

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
            AmountKind.ToTheGauge => _words.Say(Tape() is null ? "to-the-gauge" : "to-the-tape"),
            AmountKind.ALimb => _words.Say("a-limb", Span(least, most)),
            _ => _words.Say(least == most ? "on-the-tree" : "on-the-tree-by-trunk", Span(least, most)),
        };
    }
}
