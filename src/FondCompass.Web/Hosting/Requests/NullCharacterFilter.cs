using Microsoft.AspNetCore.Mvc.ModelBinding;
using Microsoft.AspNetCore.Mvc.ModelBinding.Binders;

namespace FondCompass.Web.Hosting.Requests;

/// <summary>
/// Whatever text comes in a form, a query or an address is without the one character that the database cannot hold, and that nobody types.
/// </summary>
internal sealed class NullCharacterFilter : IModelBinderProvider
{
    public IModelBinder? GetBinder(ModelBinderProviderContext context) =>
        context.Metadata.ModelType == typeof(string) && context.BindingInfo.BindingSource?.CanAcceptDataFrom(BindingSource.Body) != true
            ? new Binder(new SimpleTypeModelBinder(typeof(string), context.Services.GetRequiredService<ILoggerFactory>())) : null;

    private sealed class Binder(IModelBinder text) : IModelBinder
    {
        public async Task BindModelAsync(ModelBindingContext bindingContext)
        {
            await text.BindModelAsync(bindingContext);
            if (bindingContext.Result is { IsModelSet: true, Model: null } && bindingContext.ModelMetadata.IsRequired)
            {
                // Nothing where there must be something is as good as not sent: what it is at first stays.
                bindingContext.Result = ModelBindingResult.Failed();
            }

            if (bindingContext.Result.Model is string read && read.Contains('\0', StringComparison.Ordinal))
            {
                bindingContext.Result = ModelBindingResult.Success(read.Replace("\0", "", StringComparison.Ordinal));
            }
        }
    }
}
