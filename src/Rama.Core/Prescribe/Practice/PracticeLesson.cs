using Rama.Core.Explain;

namespace Rama.Core.Prescribe.Practice;

/// <summary>What a tree is chosen for.</summary>
public enum Trains
{
    /// <summary>A little harder than the one before.</summary>
    Harder,

    /// <summary>Finding the big limbs first.</summary>
    BigLimbs,

    /// <summary>Seeing dead, broken and diseased wood.</summary>
    Unsound,

    /// <summary>Where a cut falls: stub, collar, no peg.</summary>
    Stubs,

    /// <summary>Leaders and their height.</summary>
    Leaders,

    /// <summary>Coming to the number.</summary>
    Number,

    /// <summary>The order of the steps.</summary>
    Order,
}

/// <summary>What a fault teaches: what to do on the next tree, and which tree that should be.</summary>
/// <param name="Said">Code of the remark.</param>
/// <param name="Trains">What the next tree should have plenty of.</param>
/// <param name="NextTime">What to do next time, as a lead would say it.</param>
/// <remarks>Common practice, no source.</remarks>
public sealed record PracticeLesson(string Said, Trains Trains, LocalText NextTime)
{
    /// <summary>One for every fault that is remarked on.</summary>
    public static IReadOnlyList<PracticeLesson> All { get; } =
    [
        new(
            "practice.leader",
            Trains.Leaders,
            new(
                "Leave the tip of every leader alone; where the card asks for it, cut at the height line and no lower.",
                "No toque la punta de ningún eje; donde la ficha lo pida, corte en la línea de altura, no más abajo."
            )
        ),
        new(
            "practice.unsound",
            Trains.Unsound,
            new(
                "Look all round the tree first and take out what is dead, broken or diseased.",
                "Mire primero todo el árbol y quite lo muerto, roto o enfermo."
            )
        ),
        new(
            "practice.big-left",
            Trains.BigLimbs,
            new(
                "Before any small cut, find the thickest limb and take it whole.",
                "Antes de cualquier corte pequeño, busque la rama más gruesa y quítela entera."
            )
        ),
        new(
            "practice.big-cuts",
            Trains.BigLimbs,
            new(
                "Choose the limbs that shade most and leave the others for next winter.",
                "Elija las ramas que más sombra dan y deje las demás para el próximo invierno."
            )
        ),
        new(
            "practice.kept",
            Trains.BigLimbs,
            new(
                "Before each cut, say which line of the card it is; if there is none, do not cut.",
                "Antes de cada corte diga qué línea de la ficha es; si no hay ninguna, no corte."
            )
        ),
        new(
            "practice.wood",
            Trains.BigLimbs,
            new(
                "Spread hard cutting over two winters: stop at the limit and leave the rest standing.",
                "Reparta la poda fuerte en dos inviernos: pare en el límite y deje lo demás."
            )
        ),
        new(
            "practice.undone",
            Trains.BigLimbs,
            new(
                "Go down the card line by line, and leave the tree after its last line only.",
                "Siga la ficha línea por línea y deje el árbol solo después de la última."
            )
        ),
        new(
            "practice.too-few",
            Trains.Number,
            new(
                "Count what a limb carries before you cut it, and stop as soon as the number is reached.",
                "Cuente lo que lleva una rama antes de cortarla y pare en cuanto llegue al número."
            )
        ),
        new(
            "practice.bud-cap",
            Trains.Number,
            new(
                "Stop at the limit of the winter; what is still too much is left to thinning.",
                "Pare en el límite del invierno; lo que aún sobra se deja para el aclareo."
            )
        ),
        new(
            "practice.blind",
            Trains.Number,
            new(
                "Leave bearing wood on every limb that stays; take a limb out whole rather than strip it.",
                "Deje madera de fruto en cada rama que queda; mejor quitar una rama entera que pelarla."
            )
        ),
        new(
            "practice.bare-side",
            Trains.Number,
            new(
                "Step back after every big cut, and take the next one from the fuller side.",
                "Retroceda después de cada corte grande y haga el siguiente en el lado más lleno."
            )
        ),
        new(
            "practice.bare-storey",
            Trains.Number,
            new(
                "Step back after every big cut, and take the next one where the tree is fullest: low, middle or top.",
                "Retroceda después de cada corte grande y haga el siguiente en la parte más llena: baja, media o alta."
            )
        ),
        new(
            "practice.rubbed",
            Trains.Number,
            new(
                "Look for a limb that carries what is too much: one cut instead of twenty.",
                "Busque una rama que lleve lo que sobra: un corte en lugar de veinte."
            )
        ),
        new(
            "practice.too-many",
            Trains.Number,
            new(
                "When you think you are done, count one limb: what is over the number is still hanging there.",
                "Cuando crea que ha terminado, cuente una rama: lo que sobra sigue colgando ahí."
            )
        ),
        new(
            "practice.dart",
            Trains.Number,
            new(
                "Look at the tip before you cut: a fat bud on a short shoot is fruit.",
                "Mire la punta antes de cortar: una yema gorda en un brote corto es fruta."
            )
        ),
        new(
            "practice.stub-short",
            Trains.Stubs,
            new(
                "Leave the stub as long as the card says, cut on a slant, longer below.",
                "Deje el pitón tan largo como dice la ficha, cortado en bisel, más largo por debajo."
            )
        ),
        new(
            "practice.peg",
            Trains.Stubs,
            new("Cut close to the collar, and not into it.", "Corte junto al collar, sin cortar el collar.")
        ),
        new(
            "practice.order",
            Trains.Order,
            new(
                "Work in the order of the card: the big cuts first, the small ones last.",
                "Trabaje en el orden de la ficha: primero los cortes grandes, al final los pequeños."
            )
        ),
        new(
            "practice.slow",
            Trains.Order,
            new(
                "Find the one limb that saves many small cuts, and begin with it.",
                "Busque la rama que ahorra muchos cortes pequeños y empiece por ella."
            )
        ),
    ];

    /// <summary>What a remark teaches; null for praise.</summary>
    public static PracticeLesson? Of(string said) => All.FirstOrDefault(l => l.Said == said);
}
