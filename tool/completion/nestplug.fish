# Completes nestplug's commands and options in fish; it asks the tool, whose help says the same.
function __nestplug_options
    set -l words (commandline -opc)
    nestplug $words[2] --list-options 2>/dev/null | string replace -r '\t[^\t]*\t' '\t'
end
complete -c nestplug -n '__fish_is_first_arg' -f -a '(nestplug --list-commands 2>/dev/null)'
complete -c nestplug -n 'not __fish_is_first_arg; and string match -q -- "-*" (commandline -ct)' -a '(__nestplug_options)'
