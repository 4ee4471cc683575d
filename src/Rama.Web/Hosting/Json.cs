using System.Text.Json;
using System.Text.Json.Serialization;

namespace Rama.Web.Hosting;

/// <summary>How JSON is read and written: strict, so that a slip is told instead of becoming a default.</summary>
internal static class Json
{
    public static void Configure(JsonSerializerOptions options)
    {
        options.NumberHandling = JsonNumberHandling.Strict;
        options.UnmappedMemberHandling = JsonUnmappedMemberHandling.Disallow;
        options.RespectNullableAnnotations = true;
        options.RespectRequiredConstructorParameters = true;
        options.Converters.Add(new JsonStringEnumConverter(JsonNamingPolicy.CamelCase, allowIntegerValues: false));
    }
}
