namespace Rama.Core.Estate;

/// <summary>A rootstock of the catalogue.</summary>
/// <param name="Name">Name of the rootstock.</param>
/// <param name="Crop">Crop grown on it.</param>
public sealed record Rootstock(string Name, string Crop);
