using Microsoft.AspNetCore.OpenApi;
using Microsoft.OpenApi;

namespace Rama.Web.Hosting;

/// <summary>The API document.</summary>
internal static class OpenApi
{
    public static void Configure(OpenApiOptions options) =>
        options.AddDocumentTransformer(
            (document, _, _) =>
            {
                document.Info = new()
                {
                    Title = "Rama",
                    Version = "v1",
                    Description =
                        "Entered amounts are {value, unit}; answers are SI and carry value, unit, formula "
                        + "steps and warnings.",
                };
                document.Servers?.Clear();
                SayWhatAlwaysComes(document);
                return Task.CompletedTask;
            }
        );

    // Every member of an answer is written, also one with a default; what may be left out of a request may be.
    private static void SayWhatAlwaysComes(OpenApiDocument document)
    {
        var schemas = document.Components?.Schemas ?? new Dictionary<string, IOpenApiSchema>();
        HashSet<string> sent = [];
        foreach (
            var body in Operations(document)
                .Select(o => o.RequestBody?.Content)
                .OfType<IDictionary<string, OpenApiMediaType>>()
        )
        foreach (var form in body.Values)
            Reach(form.Schema, schemas, sent);
        foreach (var (name, schema) in schemas)
            if (!sent.Contains(name) && schema is OpenApiSchema { Properties.Count: > 0 } answer)
                answer.Required = answer.Properties.Keys.ToHashSet();
    }

    private static IEnumerable<OpenApiOperation> Operations(OpenApiDocument document) =>
        document.Paths.Values.SelectMany(p => p.Operations ?? []).Select(o => o.Value);

    private static void Reach(IOpenApiSchema? schema, IDictionary<string, IOpenApiSchema> schemas, HashSet<string> seen)
    {
        if (schema is OpenApiSchemaReference { Reference.Id: { } id })
        {
            if (seen.Add(id) && schemas.TryGetValue(id, out var named))
                Reach(named, schemas, seen);
            return;
        }
        IEnumerable<IOpenApiSchema?> parts =
        [
            schema?.Items,
            schema?.AdditionalProperties,
            .. (schema?.Properties ?? new Dictionary<string, IOpenApiSchema>()).Values,
            .. schema?.AllOf ?? [],
            .. schema?.AnyOf ?? [],
            .. schema?.OneOf ?? [],
        ];
        foreach (var part in parts.Where(p => p is not null))
            Reach(part, schemas, seen);
    }
}
