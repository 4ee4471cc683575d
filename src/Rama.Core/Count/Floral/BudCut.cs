namespace Rama.Core.Count.Floral;

/// <summary>Buds of one kind that were cut lengthwise and looked into, from one tree.</summary>
/// <param name="Place">Row and tree they came from; null where nobody noted it.</param>
/// <param name="Kind">Kind of bud, as <see cref="BudKind.Read"/> gives it.</param>
/// <param name="Cut">Buds cut, at least 1.</param>
/// <param name="Floral">Those floral and alive.</param>
/// <param name="Dead">Those dead, floral or not.</param>
public sealed record BudCut((int Row, int Tree)? Place, string Kind, int Cut, int Floral, int Dead);
