using Rama.Core.Target;
using Rama.Data.Target;

namespace Rama.Data.Exchange.Tables;

/// <summary>
/// Columns of what a target says beside its main numbers. Their fields are the paths in the JSON it is kept as.
/// </summary>
internal static class TargetDetailColumns
{
    public static readonly DetailColumns Columns = new([
        ExchangeColumn.Text("insurance.school", false, "Insurance school", "Escuela de seguro"),
        ExchangeColumn.Share("insurance.reached", "Years crop is reached", "Años con cosecha"),
        ExchangeColumn.Number("insurance.costOver", false, "Cost of a cluster too many", "Coste de un racimo de más"),
        ExchangeColumn.Number("insurance.costUnder", false, "Cost of a fruit too few", "Coste de un fruto de menos"),
        ExchangeColumn.Share("insurance.setShare", "Set share", "Cuajado"),
        ExchangeColumn.Share("insurance.setShareSd", "Set share SD", "Desviación del cuajado"),
        ExchangeColumn.Number("insurance.takenSet.mean", false, "Set taken over", "Cuajado tomado"),
        ExchangeColumn.Number("insurance.takenSet.sd", false, "Set taken over SD", "Desviación del cuajado tomado"),
        ExchangeColumn.Share("insurance.pruningSd", "Pruning misses by", "Error de poda"),
        ExchangeColumn.Number("insurance.fruitlets", false, "Fruitlets per cluster", "Frutitos por racimo"),
        ExchangeColumn.Share("insurance.losses.winterKill", "Winter kill", "Daño invernal"),
        ExchangeColumn.Share("insurance.losses.frost", "Frost loss", "Pérdida por helada"),
        ExchangeColumn.Share("insurance.losses.mechanical", "Knocked off", "Caída mecánica"),
        ExchangeColumn.Share("insurance.losses.riskChance", "Chance of a further loss", "Probabilidad de pérdida"),
        ExchangeColumn.Share("insurance.losses.riskLoss", "Loss when it comes", "Pérdida si llega"),
        ExchangeColumn.Text("insurance.reason", false, "Reason", "Motivo"),
        ExchangeColumn.Length("canopy.height", false, "Tree height", "Altura del árbol"),
        ExchangeColumn.Length("canopy.regrowth", false, "Growth of a season", "Crecimiento anual"),
        ExchangeColumn.Length("canopy.alley", false, "Clear alley", "Calle libre"),
        ExchangeColumn.Length("canopy.overlap", false, "Overlap along the row", "Solape en la fila"),
        ExchangeColumn.Number(
            "canopy.heightFactor",
            false,
            "Height over row spacing",
            "Altura entre distancia de filas"
        ),
        ExchangeColumn.Number("canopy.leaders", false, "Leaders of a tree", "Ejes por árbol"),
        ExchangeColumn.Length("canopy.leaderSpacing", false, "Leader spacing", "Distancia entre ejes"),
        ExchangeColumn.Number("canopy.angleDeg", false, "Angle from the vertical", "Ángulo desde la vertical"),
        ExchangeColumn.Length("canopy.baseGap", false, "Gap at the base", "Separación en la base"),
        ExchangeColumn.Length("canopy.overhang", false, "Overhang", "Vuelo"),
        ExchangeColumn.Number("sharing.exponent", false, "Exponent of sharing", "Exponente de reparto"),
        ExchangeColumn.Length("sharing.smallBelow", false, "Small trunks below", "Troncos pequeños bajo"),
        ExchangeColumn.Length("sharing.largeFrom", false, "Large trunks from", "Troncos grandes desde"),
        ExchangeColumn.Text("sharing.top", false, "Vigour of the top", "Vigor de la copa"),
    ]);

    /// <summary>The cells of a target.</summary>
    public static IEnumerable<object?> Cells(TargetEntry target) => Columns.Cells(TargetDetails.Of(target));

    /// <summary>A target with what a line says of it.</summary>
    public static TargetEntry Taken(TargetEntry before, LineReader line) =>
        Columns.Taken(before, line, TargetDetails.Of, TargetDetails.Read);
}
