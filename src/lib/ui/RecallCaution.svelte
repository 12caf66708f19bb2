<p class="caution mt-3 max-w-prose">
	Set aside what is unsold at once. Whether packs have to be called back, who must be told and how soon is
	decided by local law: call the food authority first, and do what it says. This sheet is what the records
	hold, and no more.
</p>
